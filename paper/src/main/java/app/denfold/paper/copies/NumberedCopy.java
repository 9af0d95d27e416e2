package app.denfold.paper.copies;

import app.denfold.core.marks.PageBox;
import app.denfold.core.numbering.NumberForm;
import app.denfold.core.numbering.NumberPlace;
import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.CopyText;
import app.denfold.paper.drawing.PageFrame;
import app.denfold.paper.drawing.PdfPages;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.rendering.ImageType;
import org.jspecify.annotations.Nullable;

/** Makes the copy of a paper on each page of which a running number stands, where nothing else does if that can be. */
public final class NumberedCopy {

    public static final float SMALLEST = 6;
    public static final float LARGEST = 24;

    /** Distance of a number from the ends of the page, in points. */
    private static final float EDGE = 16;

    /** Kept free around a number, in points. */
    private static final float AROUND = 3;

    /** Where no words are known, the page is drawn so small and looked at. */
    private static final float LOOK = 0.6f;

    /** Lighter than this counts as paper, of 255. */
    private static final int PAPER = 225;

    private NumberedCopy() {}

    /**
     * @param first number of the first page
     * @param place that is wished
     * @param size of the letters in points, from {@value #SMALLEST} to {@value #LARGEST}
     * @param words what stands on pages before they are turned, by their numbers from 1; pages that are missing are looked at
     * @param turns for each page, by how many degrees clockwise it is turned to be read, a multiple of 90; empty when none is
     */
    public record Wanted(
            NumberForm form,
            long first,
            NumberPlace place,
            float size,
            Map<Integer, List<PageBox>> words,
            List<Integer> turns) {
        public Wanted {
            words = Map.copyOf(words);
            turns = List.copyOf(turns);
        }

        private int turn(int page) {
            return page <= turns.size() ? Math.floorMod(turns.get(page - 1), 360) : 0;
        }
    }

    /**
     * @param each told of each page that has its number
     * @return how many pages it has
     * @throws IOException when the paper has no pages or cannot be read
     */
    public static int to(Path copy, Path file, Format format, Wanted wanted, IntConsumer each) throws IOException {
        try (PDDocument document = format == Format.PDF ? PdfFiles.open(file) : new PDDocument()) {
            if (format != Format.PDF) {
                CopyPages.drawInto(document, ArchiveCopy.allPages(file, format));
            }
            Numbers numbers = new Numbers(document, new CopyText(document, CopyText.lettersOfThread()), wanted);
            int count = 0;
            for (PDPage page : document.getPages()) {
                numbers.write(page, ++count);
                each.accept(count);
            }
            document.setAllSecurityToBeRemoved(true);
            document.save(copy.toFile());
            return count;
        }
    }

    private static final class Numbers {

        private final PDDocument document;
        private final CopyText text;
        private final Wanted wanted;

        /** Only where a page is looked at. */
        private @Nullable PdfPages drawn;

        /** As the last number was measured, on the last page. */
        private int letters;

        private float pageWidth;
        private float pageHeight;
        private float size;
        private float width;
        private List<PageBox> boxes = List.of();

        Numbers(PDDocument document, CopyText text, Wanted wanted) {
            this.document = document;
            this.text = text;
            this.wanted = wanted;
        }

        void write(PDPage page, int number) throws IOException {
            page.setRotation(page.getRotation() + wanted.turn(number));
            PageFrame frame = PageFrame.of(page);
            String words = wanted.form.written(wanted.first + number - 1);
            measure(words, frame);
            NumberPlace.Chosen chosen = choose(number);
            float left = chosen.box().left() * frame.width() / PageBox.WHOLE + AROUND;
            float low = frame.height() - chosen.box().bottom() * frame.height() / PageBox.WHOLE + AROUND;
            try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                out.transform(frame.toPage());
                if (!chosen.isFree()) {
                    out.setNonStrokingColor(1f, 1f, 1f);
                    out.addRect(left - AROUND, low - AROUND, width + 2 * AROUND, size + 2 * AROUND);
                    out.fill();
                }
                out.setNonStrokingColor(0f, 0f, 0f);
                text.write(out, words, left, low + size * 0.22f, size);
            }
        }

        /** All digits are of one width, so numbers of as many letters are, and pages of one size have the same places. */
        private void measure(String words, PageFrame frame) throws IOException {
            if (words.length() == letters && frame.width() == pageWidth && frame.height() == pageHeight) {
                return;
            }
            letters = words.length();
            pageWidth = frame.width();
            pageHeight = frame.height();
            size = text.fitting(words, Math.max(1, pageWidth - 2 * EDGE), wanted.size);
            width = text.width(words, size);
            int wide = part(width + 2 * AROUND, pageWidth);
            int high = part(size + 2 * AROUND, pageHeight);
            boxes = wanted.place.inOrder().stream()
                    .map(p -> p.box(wide, high, part(EDGE, pageWidth), part(EDGE, pageHeight)))
                    .toList();
        }

        private NumberPlace.Chosen choose(int number) throws IOException {
            List<PageBox> known = wanted.words.get(number);
            int turn = wanted.turn(number);
            return wanted.place.free(
                    boxes,
                    known == null
                            ? looked(number)
                            : turn == 0
                                    ? known
                                    : known.stream().map(b -> b.turned(turn)).toList());
        }

        private static int part(float points, float whole) {
            return Math.round(points * PageBox.WHOLE / whole);
        }

        /** Those parts of the places at which the drawn page is not empty. */
        private List<PageBox> looked(int number) throws IOException {
            PdfPages pages = drawn == null ? new PdfPages(document) : drawn;
            drawn = pages;
            BufferedImage image = pages.draw(number, LOOK, ImageType.GRAY).image();
            List<PageBox> taken = new ArrayList<>();
            for (PageBox box : boxes) {
                int left = box.left() * image.getWidth() / PageBox.WHOLE;
                int right = Math.min(image.getWidth(), box.right() * image.getWidth() / PageBox.WHOLE + 1);
                int top = Math.max(0, box.top() * image.getHeight() / PageBox.WHOLE);
                int bottom = Math.min(image.getHeight(), box.bottom() * image.getHeight() / PageBox.WHOLE + 1);
                int ink = ink(image, Math.max(0, left), top, right, bottom);
                if (ink > 0) {
                    int high = Math.max(1, box.height() * ink / Math.max(1, (right - left) * (bottom - top)));
                    taken.add(new PageBox(box.left(), box.top(), box.width(), high));
                }
            }
            return taken;
        }

        private static int ink(BufferedImage image, int left, int top, int right, int bottom) {
            int count = 0;
            for (int y = top; y < bottom; y++) {
                for (int x = left; x < right; x++) {
                    if ((image.getRGB(x, y) & 255) < PAPER) {
                        count++;
                    }
                }
            }
            return count;
        }
    }
}
