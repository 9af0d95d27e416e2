package app.denfold.paper.reading;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.codes.PageCodes;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.PageFrame;
import app.denfold.paper.drawing.PdfPages;
import app.denfold.paper.drawing.PerceptualHash;
import app.denfold.paper.drawing.ScannedPage;
import app.denfold.paper.drawing.TextOfPaper;
import app.denfold.paper.drawing.Turned;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;

/** Reads a paper page by page, so that never more than one page is in memory. */
public final class ReadPages {

    private static final int DOTS_AN_INCH = 200;

    /** Pages are drawn so wide for recognition: A4 at 200 dots an inch. */
    private static final int WIDTH = 1_654;

    /** A text layer with fewer letters is taken for a stamp on a picture. */
    private static final int LEAST_LETTERS = 25;

    private ReadPages() {}

    /**
     * @param recognise whether text is recognised where the file holds none
     * @param languages for recognition, as tesseract names them, joined by {@code +}
     */
    public record Settings(boolean recognise, String languages) {
        public static Settings english() {
            return new Settings(true, "eng");
        }

        public static Settings codesOnly() {
            return new Settings(false, "eng");
        }
    }

    /**
     * @param from the first page to be read, from 1
     * @param each told of every page, in order
     * @throws IOException when the file cannot be read
     */
    public static void each(Path file, Format format, Settings settings, int from, Consumer<PageFacts> each)
            throws IOException {
        switch (format.shown()) {
            case PAGES -> {
                if (format == Format.PDF) {
                    pdf(file, settings, from, each);
                } else {
                    images(file, settings, from, each);
                }
            }
            case WORDS -> words(file, format, from, each);
            default -> {
                // recordings and formats without a reader have no pages
            }
        }
    }

    /** The words that a PDF's pages hold, without a look at the pages. @throws IOException when it cannot be read */
    public static List<PageFacts> written(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            TextLayer layers = new TextLayer(document);
            List<PageFacts> pages = new ArrayList<>();
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                PlacedText words = layers.of(page);
                PageFacts.TextFrom from = words.text().isEmpty() ? PageFacts.TextFrom.NONE : PageFacts.TextFrom.LAYER;
                pages.add(new PageFacts(page, 0, words, from, List.of(), false, ""));
            }
            return pages;
        }
    }

    private static void pdf(Path file, Settings settings, int from, Consumer<PageFacts> each) throws IOException {
        try (PDDocument document = PdfFiles.open(file)) {
            PdfPages drawn = new PdfPages(document);
            TextLayer layers = new TextLayer(document);
            Map<Integer, Map<String, String>> filledIn = FormValues.of(document);
            for (int page = from; page <= document.getNumberOfPages(); page++) {
                PlacedText layer = layers.of(page);
                PdfPages.Drawn image = drawn(document, drawn, page, layer.text());
                each.accept(facts(page, layer, image, settings).filledIn(filledIn.getOrDefault(page, Map.of())));
            }
        }
    }

    /** A scan's own picture where the page is nothing else, or the page drawn. */
    private static PdfPages.Drawn drawn(PDDocument document, PdfPages pages, int page, String layer)
            throws IOException {
        Optional<BufferedImage> scan =
                layer.isEmpty() ? ScannedPage.picture(document.getPage(page - 1), WIDTH) : Optional.empty();
        if (scan.isPresent()) {
            return new PdfPages.Drawn(grey(scan.get()), true);
        }
        PageFrame frame = PageFrame.of(document.getPage(page - 1));
        float scale = Math.min(DOTS_AN_INCH / 72f, 3f * WIDTH / Math.max(frame.width(), frame.height()));
        return pages.draw(page, scale, ImageType.GRAY);
    }

    private static void images(Path file, Settings settings, int from, Consumer<PageFacts> each) throws IOException {
        try (ImagePages pages = ImagePages.open(file)) {
            for (int page = from; page <= pages.count(); page++) {
                BufferedImage image = grey(pages.read(page - 1, WIDTH));
                each.accept(facts(page, PlacedText.NONE, new PdfPages.Drawn(image, true), settings));
            }
        }
    }

    private static BufferedImage grey(BufferedImage image) {
        double scale =
                Math.min(2.0, Math.max(1, WIDTH) / (double) Math.max(1, Math.min(image.getWidth(), image.getHeight())));
        int width = Math.max(1, (int) Math.min(3 * WIDTH, image.getWidth() * scale));
        int height = Math.max(1, (int) Math.min(3 * WIDTH, image.getHeight() * scale));
        BufferedImage grey = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = grey.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        return grey;
    }

    private static PageFacts facts(int page, PlacedText layer, PdfPages.Drawn drawn, Settings settings)
            throws IOException {
        BufferedImage grey = drawn.image();
        boolean hasLayer = layer.text().codePoints().filter(Character::isLetter).count() >= LEAST_LETTERS;
        if (hasLayer) {
            return new PageFacts(
                    page, 0, layer, PageFacts.TextFrom.LAYER, PageCodes.on(grey), false, PerceptualHash.hash(grey));
        }
        PerceptualHash.Ink ink = PerceptualHash.ink(grey);
        List<PageCodes.Code> codes = ink == PerceptualHash.Ink.NONE ? List.of() : PageCodes.on(grey);
        if (ink == PerceptualHash.Ink.NONE || !settings.recognise() || !Recognise.isThere()) {
            boolean blank = ink == PerceptualHash.Ink.NONE && drawn.whole();
            return new PageFacts(
                    page, 0, PlacedText.NONE, PageFacts.TextFrom.NONE, codes, blank, PerceptualHash.hash(grey));
        }
        PageFacts read = recognised(page, grey, codes, settings);
        if (ink == PerceptualHash.Ink.FAINT && read.textFrom() == PageFacts.TextFrom.NONE) {
            return faint(page, grey, codes, drawn.whole(), settings);
        }
        return read;
    }

    /** What could not be read as it is, read with its contrast raised; without a word on it, such a page is blank. */
    private static PageFacts faint(
            int page, BufferedImage grey, List<PageCodes.Code> codes, boolean whole, Settings settings)
            throws IOException {
        PageFacts raised = recognised(page, PerceptualHash.raised(grey), codes, settings);
        boolean nothing = raised.textFrom() == PageFacts.TextFrom.NONE && codes.isEmpty() && whole;
        return nothing
                ? new PageFacts(
                        page, 0, PlacedText.NONE, PageFacts.TextFrom.NONE, codes, true, PerceptualHash.hash(grey))
                : raised;
    }

    private static PageFacts recognised(int page, BufferedImage grey, List<PageCodes.Code> codes, Settings settings)
            throws IOException {
        int turn = Recognise.turn(grey);
        BufferedImage upright = Turned.by(grey, turn);
        PlacedText text = Recognise.text(upright, settings.languages());
        boolean readable = text.text().codePoints().filter(Character::isLetter).count() >= 3;
        return new PageFacts(
                page,
                turn,
                readable ? text : PlacedText.NONE,
                readable ? PageFacts.TextFrom.RECOGNISED : PageFacts.TextFrom.NONE,
                codes,
                false,
                PerceptualHash.hash(upright));
    }

    private static void words(Path file, Format format, int from, Consumer<PageFacts> each) throws IOException {
        List<String> pages = TextOfPaper.pages(file, format);
        for (int i = from - 1; i < pages.size(); i++) {
            String text = pages.get(i).strip();
            PageFacts.TextFrom textFrom = text.isBlank() ? PageFacts.TextFrom.NONE : PageFacts.TextFrom.LAYER;
            each.accept(new PageFacts(
                    i + 1, 0, text, List.of(), textFrom, List.of(), text.isBlank(), "", Map.of(), List.of(), null));
        }
    }
}
