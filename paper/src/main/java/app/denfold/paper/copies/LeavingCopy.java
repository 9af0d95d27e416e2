package app.denfold.paper.copies;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.CopyText;
import app.denfold.paper.drawing.PageFrame;
import app.denfold.paper.drawing.PdfPages;
import app.denfold.paper.reading.DrawnText;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.PlacedText;
import app.denfold.paper.reading.WordBox;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.rendering.ImageType;
import org.jspecify.annotations.Nullable;

/**
 * Makes the copy of a paper that somebody outside gets. Where something is covered, the copy is drawn anew, page by page,
 * and holds nothing else of the file: its words are those that are seen on the finished pages. The paper itself stays as
 * it is.
 */
public final class LeavingCopy {

    private static final int DOTS_AN_INCH = 200;

    /** The longest side of a drawn page, in pixels. */
    private static final float LONGEST = 5_000;

    private static final float EDGE = 12;

    private LeavingCopy() {}

    /**
     * @param covers closed in the copy
     * @param marks shown on it, as annotations of ISO 32000
     * @param foot a line at the foot of each page
     */
    public record Wanted(
            List<Cover> covers,
            List<ShownMark> marks,
            @Nullable String foot) {
        public Wanted {
            covers = List.copyOf(covers);
            marks = List.copyOf(marks);
        }
    }

    /**
     * @param recognise whether words are recognised on pages that are covered; without it such pages have none
     * @param languages for recognition, as tesseract names them
     */
    public record Settings(boolean recognise, String languages) {}

    /**
     * @param each told of every page as soon as it is drawn, where it is, and then of every page of the finished copy with
     *     the words that can be read on it
     * @throws IOException when the paper has no pages or cannot be read, there is no such page, or something covered could
     *     still be read in the copy
     */
    public static void to(
            Path copy, Path file, Format format, Wanted wanted, Settings settings, Consumer<PageFacts> each)
            throws IOException {
        if (wanted.covers.isEmpty()) {
            asItIs(copy, file, format, wanted);
        } else {
            covered(copy, file, format, wanted, settings, each);
            CheckCovered.require(copy, wanted.covers);
        }
        tell(copy, each);
    }

    private static void tell(Path copy, Consumer<PageFacts> each) throws IOException {
        try (PDDocument document = PdfFiles.open(copy)) {
            DrawnText text = new DrawnText(document);
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                PlacedText words = text.written(page);
                PageFacts.TextFrom from = words.text().isEmpty() ? PageFacts.TextFrom.NONE : PageFacts.TextFrom.LAYER;
                each.accept(new PageFacts(page, 0, words, from, List.of(), false, ""));
            }
        }
    }

    private static void asItIs(Path copy, Path file, Format format, Wanted wanted) throws IOException {
        try (PDDocument document = format == Format.PDF ? PdfFiles.open(file) : new PDDocument();
                TrueTypeFont letters = CopyText.letters()) {
            if (format != Format.PDF) {
                CopyPages.drawInto(document, ArchiveCopy.allPages(file, format));
            }
            finish(document, new CopyText(document, letters), wanted);
            document.setAllSecurityToBeRemoved(true);
            document.save(copy.toFile());
        }
    }

    private static void covered(
            Path copy, Path file, Format format, Wanted wanted, Settings settings, Consumer<PageFacts> each)
            throws IOException {
        try (PDDocument document = new PDDocument(IOUtils.createTempFileOnlyStreamCache());
                TrueTypeFont letters = CopyText.letters()) {
            CopyText text = new CopyText(document, letters);
            if (format == Format.PDF) {
                try (PDDocument source = PdfFiles.open(file)) {
                    requirePages(wanted, source.getNumberOfPages());
                    drawPdf(document, source, text, wanted, settings, each);
                }
            } else {
                List<CopyPages.Chosen> pages = ArchiveCopy.allPages(file, format);
                requirePages(wanted, pages.size());
                for (CopyPages.Chosen page : pages) {
                    BufferedImage image = plain(CopyPages.picture(page));
                    boolean isWide = image.getWidth() > image.getHeight();
                    float width = isWide ? PDRectangle.A4.getHeight() : PDRectangle.A4.getWidth();
                    addPage(document, text, image, width, on(page.page(), wanted), PlacedText.NONE, settings);
                    each.accept(PageFacts.reached(page.page()));
                }
            }
            finish(document, text, wanted);
            ArchiveCopy.declare(document);
            document.save(copy.toFile());
        }
    }

    private static void requirePages(Wanted wanted, int pages) throws IOException {
        for (Cover cover : wanted.covers) {
            if (cover.page() < 1 || cover.page() > pages) {
                throw new IOException("there is no page " + cover.page() + "; the paper has " + pages);
            }
        }
    }

    private static List<Cover> on(int page, Wanted wanted) {
        return wanted.covers.stream().filter(c -> c.page() == page).toList();
    }

    private static void drawPdf(
            PDDocument document,
            PDDocument source,
            CopyText text,
            Wanted wanted,
            Settings settings,
            Consumer<PageFacts> each)
            throws IOException {
        PdfPages pages = new PdfPages(source);
        DrawnText words = new DrawnText(source);
        for (int page = 1; page <= source.getNumberOfPages(); page++) {
            PageFrame frame = PageFrame.of(source.getPage(page - 1));
            float scale = Math.min(DOTS_AN_INCH / 72f, LONGEST / Math.max(frame.width(), frame.height()));
            BufferedImage image = pages.draw(page, scale, ImageType.RGB).image();
            List<Cover> covers = on(page, wanted);
            PlacedText seen = covers.isEmpty() ? words.seen(page, image) : PlacedText.NONE;
            addPage(document, text, image, frame.width(), covers, seen, settings);
            each.accept(PageFacts.reached(page));
        }
    }

    private static BufferedImage plain(BufferedImage image) {
        BufferedImage plain = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
        plain.createGraphics().drawImage(image, 0, 0, Color.WHITE, null);
        return plain;
    }

    /** @param seen its words, where nothing on it is covered */
    private static void addPage(
            PDDocument document,
            CopyText text,
            BufferedImage image,
            float width,
            List<Cover> covers,
            PlacedText seen,
            Settings settings)
            throws IOException {
        covers.forEach(c -> c.areas().forEach(a -> CoverAreas.close(image, a)));
        BufferedImage drawn = withoutColour(image);
        // what the file says may stand elsewhere than what one sees; what is read on the closed page cannot
        PlacedText words = covers.isEmpty()
                ? seen
                : settings.recognise ? DrawnText.recognised(drawn, settings.languages) : PlacedText.NONE;
        covers.forEach(c -> c.areas().forEach(a -> CoverAreas.name(drawn, a, c.reason())));
        PDPage page = CopyPages.addPicture(document, drawn, width);
        if (!words.text().isEmpty()) {
            writeHidden(document, page, text, words);
        }
    }

    private static BufferedImage withoutColour(BufferedImage image) {
        for (int y = 0; y < image.getHeight(); y += 2) {
            for (int x = 0; x < image.getWidth(); x += 2) {
                int rgb = image.getRGB(x, y);
                int red = rgb >> 16 & 255;
                if (Math.abs(red - (rgb >> 8 & 255)) > 8 || Math.abs(red - (rgb & 255)) > 8) {
                    return image;
                }
            }
        }
        BufferedImage grey = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        grey.createGraphics().drawImage(image, 0, 0, null);
        return grey;
    }

    private static void writeHidden(PDDocument document, PDPage page, CopyText text, PlacedText words)
            throws IOException {
        PDRectangle box = page.getMediaBox();
        int at = 0;
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            for (String line : words.text().strip().split("\n")) {
                String[] all = line.isBlank() ? new String[0] : line.strip().split("\\s+");
                List<WordBox> places = words.boxes().subList(at, at + all.length);
                at += all.length;
                // words of one line stand on one height, so that they are copied as one; those that run sideways do not
                int top = places.stream().mapToInt(WordBox::top).min().orElse(0);
                int bottom = places.stream()
                        .mapToInt(p -> p.top() + p.height())
                        .max()
                        .orElse(0);
                int tallest = places.stream().mapToInt(WordBox::height).max().orElse(0);
                boolean isLine = bottom - top <= 2 * tallest && places.stream().anyMatch(p -> p.width() > p.height());
                for (int i = 0; i < all.length; i++) {
                    WordBox place = places.get(i);
                    int from = isLine ? top : place.top();
                    float height = (isLine ? bottom - top : place.height()) * box.getHeight() / WordBox.WHOLE;
                    text.writeHidden(
                            out,
                            all[i],
                            new PDRectangle(
                                    place.left() * box.getWidth() / WordBox.WHOLE,
                                    box.getHeight() - from * box.getHeight() / WordBox.WHOLE - height,
                                    place.width() * box.getWidth() / WordBox.WHOLE,
                                    height));
                }
            }
        }
    }

    private static void finish(PDDocument document, CopyText text, Wanted wanted) throws IOException {
        for (ShownMark mark : wanted.marks) {
            if (mark.page() >= 1 && mark.page() <= document.getNumberOfPages()) {
                PDPage page = document.getPage(mark.page() - 1);
                List<PDAnnotation> all = new ArrayList<>(page.getAnnotations());
                all.add(MarkAnnotations.of(document, page, text, mark));
                page.setAnnotations(all);
            }
        }
        if (wanted.foot != null) {
            for (PDPage page : document.getPages()) {
                PageFrame frame = PageFrame.of(page);
                try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                    out.transform(frame.toPage());
                    out.setNonStrokingColor(0.45f, 0.45f, 0.45f);
                    float size = text.fitting(wanted.foot, frame.width() - 2 * EDGE, 6.5f);
                    text.write(out, wanted.foot, EDGE, EDGE - 4, size);
                }
            }
        }
    }
}
