package app.denfold.paper.reading;

import app.denfold.paper.drawing.PageFrame;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.jspecify.annotations.Nullable;

/** Reads the words that a PDF's pages hold, with their places. */
final class TextLayer {

    private final Placing stripper = new Placing();
    private final PDDocument document;

    TextLayer(PDDocument document) {
        this.document = document;
        stripper.setSortByPosition(true);
    }

    /** @param page from 1 */
    PlacedText of(int page) throws IOException {
        stripper.begin(page);
        String text = stripper.getText(document).strip();
        int words = PlacedText.words(text);
        // should the two ever differ, the words are worth more than their places
        return words == stripper.boxes.size()
                ? new PlacedText(text, stripper.boxes)
                : new PlacedText(text, Collections.nCopies(words, WordBox.NOWHERE));
    }

    private static final class Placing extends PDFTextStripper {
        private List<WordBox> boxes = new ArrayList<>();

        /** The word that is being written; it ends at the next white space, which may come with a later call. */
        private @Nullable Extent open;

        void begin(int page) {
            setStartPage(page);
            setEndPage(page);
            boxes = new ArrayList<>();
            open = null;
        }

        @Override
        protected void writeString(String text, List<TextPosition> positions) throws IOException {
            super.writeString(text, positions);
            PageFrame frame = PageFrame.of(getCurrentPage());
            List<Extent> parts = parts(positions, frame, getCurrentPage().getRotation());
            int written = PlacedText.words(text);
            if (written == 0) {
                close();
                return;
            }
            if (open != null && Character.isWhitespace(text.charAt(0))) {
                close();
            }
            for (int i = 0; i < written; i++) {
                Extent part = parts.size() == written ? parts.get(i) : Extent.over(parts);
                open = open == null ? part : Extent.over(List.of(open, part));
                if (i < written - 1 || Character.isWhitespace(text.charAt(text.length() - 1))) {
                    close();
                }
            }
        }

        @Override
        protected void writeWordSeparator() throws IOException {
            super.writeWordSeparator();
            close();
        }

        @Override
        protected void writeLineSeparator() throws IOException {
            super.writeLineSeparator();
            close();
        }

        @Override
        protected void writeParagraphEnd() throws IOException {
            super.writeParagraphEnd();
            close();
        }

        @Override
        protected void endArticle() throws IOException {
            super.endArticle();
            close();
        }

        @Override
        protected void writePageEnd() throws IOException {
            super.writePageEnd();
            close();
        }

        private void close() {
            if (open != null) {
                boxes.add(open.box());
                open = null;
            }
        }

        /** What stands between the blanks of a run of letters. */
        private static List<Extent> parts(List<TextPosition> positions, PageFrame frame, int rotation) {
            List<Extent> parts = new ArrayList<>();
            Extent part = null;
            for (TextPosition position : positions) {
                if (position.getUnicode() == null || position.getUnicode().isBlank()) {
                    part = null;
                } else if (part == null) {
                    part = Extent.of(position, frame, rotation);
                    parts.add(part);
                } else {
                    part = Extent.over(List.of(part, Extent.of(position, frame, rotation)));
                    parts.set(parts.size() - 1, part);
                }
            }
            return parts;
        }
    }

    /** A part of a page in points from its upper left corner, as the page is seen. */
    private record Extent(double left, double top, double right, double bottom, double width, double height) {
        private static final double DESCENT = 0.25;

        /** Also of letters that run upwards, downwards or at a slant, on a page that is turned or not. */
        static Extent of(TextPosition at, PageFrame frame, int rotation) {
            double up = Math.max(at.getHeightDir(), 0.6 * at.getFontSizeInPt());
            double startX = at.getTextMatrix().getTranslateX();
            double startY = at.getTextMatrix().getTranslateY();
            double alongX = at.getTextMatrix().getValue(0, 0);
            double alongY = at.getTextMatrix().getValue(0, 1);
            double length = Math.hypot(alongX, alongY);
            double upX = length == 0 ? 0 : -alongY / length * up;
            double upY = length == 0 ? up : alongX / length * up;
            List<double[]> corners = new ArrayList<>();
            for (double[] foot : new double[][] {{startX, startY}, {at.getEndX(), at.getEndY()}}) {
                corners.add(seen(foot[0] + upX, foot[1] + upY, frame, rotation));
                corners.add(seen(foot[0] - DESCENT * upX, foot[1] - DESCENT * upY, frame, rotation));
            }
            return new Extent(
                    corners.stream().mapToDouble(c -> c[0]).min().orElse(0),
                    corners.stream().mapToDouble(c -> c[1]).min().orElse(0),
                    corners.stream().mapToDouble(c -> c[0]).max().orElse(0),
                    corners.stream().mapToDouble(c -> c[1]).max().orElse(0),
                    frame.width(),
                    frame.height());
        }

        /** From the file's coordinates, with their origin at the lower left of the page before it is turned. */
        private static double[] seen(double x, double y, PageFrame frame, int rotation) {
            return switch (Math.floorMod(rotation, 360)) {
                case 90 -> new double[] {y, x};
                case 180 -> new double[] {frame.width() - x, y};
                case 270 -> new double[] {frame.width() - y, frame.height() - x};
                default -> new double[] {x, frame.height() - y};
            };
        }

        static Extent over(List<Extent> parts) {
            if (parts.isEmpty()) {
                return new Extent(0, 0, 0, 0, 1, 1);
            }
            Extent first = parts.get(0);
            return new Extent(
                    parts.stream().mapToDouble(Extent::left).min().orElse(0),
                    parts.stream().mapToDouble(Extent::top).min().orElse(0),
                    parts.stream().mapToDouble(Extent::right).max().orElse(0),
                    parts.stream().mapToDouble(Extent::bottom).max().orElse(0),
                    first.width,
                    first.height);
        }

        WordBox box() {
            return WordBox.of(left, top, right, bottom, width, height);
        }
    }
}
