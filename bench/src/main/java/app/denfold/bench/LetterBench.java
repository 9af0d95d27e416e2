package app.denfold.bench;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.FillLetter;
import app.denfold.core.letters.LetterBlock;
import app.denfold.core.letters.LetterModel;
import app.denfold.core.letters.LetterValue;
import app.denfold.core.letters.Place;
import app.denfold.core.letters.RichText;
import app.denfold.paper.letters.LetterHead;
import app.denfold.paper.letters.LetterPages;
import app.denfold.paper.letters.LetterPdf;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** 500 letters of two pages with 12 places each, filled and laid out, against the library alone on finished HTML. */
public final class LetterBench {

    private static final int LETTERS = 500;
    private static final int PLACES = 12;
    private static final int PARAGRAPHS = 34;
    private static final double AT_MOST = 1.5;
    private static final String WORDS =
            " Whoever rides at the yard wears a hat that fits and boots with a heel, and leads the pony in and out by hand.";

    private LetterBench() {}

    public static void main(String[] arguments) throws Exception {
        int letters = arguments.length > 0 ? Integer.parseInt(arguments[0]) : LETTERS;
        XRLog.setLoggingEnabled(false);
        Path pdf = Files.createTempDirectory("letter-bench").resolve("letter.pdf");
        int pages = ours(pdf, 0);
        library(pdf, 0);
        double ours = 0;
        double library = 0;
        // in turns, so that whatever else the machine does is borne by both
        for (int i = 0; i < letters; i++) {
            long begun = System.nanoTime();
            ours(pdf, i);
            long between = System.nanoTime();
            library(pdf, i);
            ours += (between - begun) / 1e9;
            library += (System.nanoTime() - between) / 1e9;
        }
        Figures.told("pages-of-a-letter", pages, "pages");
        Figures.told(letters + "-letters", ours, "s");
        Figures.told(letters + "-letters-by-the-library-alone", library, "s");
        Figures.atMost("letters-against-the-library", ours / library, "times", AT_MOST);
        Figures.told("most-memory", Runtime.getRuntime().maxMemory() / 1e6, "MB");
        int many = longOne(pdf, false);
        long begun = System.nanoTime();
        longOne(pdf, true);
        Figures.told("pages-of-a-long-contract", many, "pages");
        Figures.atMost("a-long-contract", (System.nanoTime() - begun) / 1e9, "s", 2);
    }

    private static RichText paragraph(RichText... content) {
        return RichText.of(RichText.Type.PARAGRAPH, content);
    }

    private static LetterModel model() {
        List<RichText> content = new ArrayList<>();
        for (int i = 0; i < PARAGRAPHS; i++) {
            content.add(
                    i < PLACES
                            ? paragraph(
                                    RichText.words("For "),
                                    RichText.of(new Place("fact.f" + i, Place.Format.PLAIN, null, true)),
                                    RichText.words("." + WORDS))
                            : paragraph(RichText.words("Clause " + i + "." + WORDS)));
        }
        return new LetterModel(List.of(), List.of(new LetterBlock("all", null, true, false, null, content)));
    }

    private static int ours(Path pdf, int number) throws IOException {
        Map<String, LetterValue> known = new HashMap<>();
        for (int i = 0; i < PLACES; i++) {
            known.put("fact.f" + i, i % 2 == 0 ? LetterValue.text(value(number, i)) : LetterValue.day(day(number)));
        }
        FillLetter fill = new FillLetter(
                known, Map.<String, AskedFor.Kind>of(), c -> true, Locale.UK, Currency.getInstance("EUR"));
        FillLetter.Letter letter = fill.fill(model(), new FillLetter.Writing(Map.of(), Set.of(), Map.of()));
        return LetterPdf.to(
                pdf,
                new LetterPages(
                        letter.content(),
                        new LetterHead("Oakhollin", "3 Fen Lane", "#3b4f63", new byte[0]),
                        "Letter",
                        "en-GB"));
    }

    private static String value(int number, int place) {
        return "Person " + number + " of " + place;
    }

    private static LocalDate day(int number) {
        return LocalDate.of(2026, 1, 1).plusDays(number);
    }

    private static void library(Path pdf, int number) throws IOException {
        StringBuilder html = new StringBuilder("<html lang=\"en-GB\"><head><title>Letter</title>"
                + "<meta name=\"description\" content=\"Letter\"/><style>@page { size: A4; margin: 22mm 24mm; }"
                + " body { font-family: 'Liberation Serif'; font-size: 11pt; line-height: 1.4; }"
                + " p { margin: 0 0 2.6mm 0; }</style></head><body><p>Oakhollin</p><p>3 Fen Lane</p>");
        for (int i = 0; i < PARAGRAPHS; i++) {
            String first = i < PLACES
                    ? "For " + (i % 2 == 0 ? value(number, i) : day(number).toString()) + "."
                    : "Clause " + i + ".";
            html.append("<p>").append(first).append(WORDS).append("</p>");
        }
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.withHtmlContent(html.append("</body></html>").toString(), null);
        builder.usePdfAConformance(PdfRendererBuilder.PdfAConformance.PDFA_2_A);
        builder.usePdfUaAccessibility(true);
        builder.useColorProfile(ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData());
        builder.useFont(
                () -> LetterBench.class.getResourceAsStream("/liberation/LiberationSerif-Regular.ttf"),
                "Liberation Serif",
                400,
                FontStyle.NORMAL,
                true);
        try (OutputStream out = Files.newOutputStream(pdf)) {
            builder.toStream(out);
            builder.run();
        }
    }

    private static int longOne(Path pdf, boolean again) throws IOException {
        List<RichText> content = new ArrayList<>();
        for (int i = 0; i < 760; i++) {
            content.add(paragraph(RichText.words((again ? "Again, clause " : "Clause ") + i + "." + WORDS)));
        }
        return LetterPdf.to(
                pdf,
                new LetterPages(content, new LetterHead("Oakhollin", "", "#3b4f63", new byte[0]), "Contract", "en-GB"));
    }
}
