package app.denfold.paper.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIOException;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.denfold.core.letters.LetterSheet;
import app.denfold.core.letters.Picture;
import app.denfold.core.letters.Place;
import app.denfold.core.letters.RichText;
import app.denfold.core.letters.RichText.Mark;
import app.denfold.core.letters.RichText.Type;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.ValidationResult;

class LetterPdfTest {

    @TempDir
    Path folder;

    private static RichText line(String words, Mark... marks) {
        return RichText.of(Type.PARAGRAPH, RichText.words(words, marks));
    }

    private static RichText cell(Type type, String words) {
        return RichText.of(type, line(words));
    }

    private static List<RichText> contract() {
        RichText table = RichText.of(
                Type.TABLE,
                RichText.of(Type.TABLE_ROW, cell(Type.TABLE_HEADER, "What"), cell(Type.TABLE_HEADER, "Amount")),
                RichText.of(Type.TABLE_ROW, cell(Type.TABLE_CELL, "Lessons"), cell(Type.TABLE_CELL, "€120.50")));
        RichText list = RichText.of(
                Type.ORDERED_LIST,
                RichText.of(Type.LIST_ITEM, line("Hat and boots are worn.")),
                RichText.of(Type.LIST_ITEM, line("Ponies are led in.")));
        return List.of(
                new RichText(Type.HEADING, null, Set.of(), 1, null, List.of(RichText.words("Riding contract"))),
                line("Between Tamsin Korhola and the yard, für Mäuse und Pferde ß."),
                line("Not known yet: …………", Mark.OPEN, Mark.BOLD),
                RichText.of(Type.PARAGRAPH),
                table,
                list,
                RichText.of(Type.PAGE_BREAK),
                line("On the second page, ", Mark.ITALIC, Mark.UNDERLINE));
    }

    private static LetterHead head() throws IOException {
        ByteArrayOutputStream mark = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 40, BufferedImage.TYPE_INT_RGB), "png", mark);
        return new LetterHead(
                "Oakhollin Riding & Therapy Yard", "3 Fen Lane\n\nOakhollin", "#3b4f63", mark.toByteArray());
    }

    private Path written(List<RichText> content) throws IOException {
        Path pdf = folder.resolve("letter.pdf");
        LetterPdf.to(pdf, new LetterPages(content, head(), "Riding contract", "en-GB"));
        return pdf;
    }

    private static String text(Path pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            return stripper.getText(document);
        }
    }

    @ParameterizedTest
    @EnumSource(
            value = PDFAFlavour.class,
            names = {"PDFA_2_A", "PDFUA_1"})
    void itHoldsToTheStandards(PDFAFlavour flavour) throws Exception {
        requireStandard(flavour, written(contract()));
    }

    private static void requireStandard(PDFAFlavour flavour, Path pdf) throws Exception {
        VeraGreenfieldFoundryProvider.initialise();
        try (PDFAParser parser = Foundries.defaultInstance().createParser(pdf.toFile(), flavour)) {
            ValidationResult result =
                    Foundries.defaultInstance().createValidator(flavour, false).validate(parser);
            assertThat(result.getTestAssertions()).isEmpty();
            assertThat(result.isCompliant()).isTrue();
        }
    }

    @Test
    void itIsRealTextInItsOrderWithHeadPagesTitleAndLanguage() throws Exception {
        Path pdf = folder.resolve("letter.pdf");
        assertThat(LetterPdf.to(pdf, new LetterPages(contract(), head(), "Riding contract", "en-GB")))
                .isEqualTo(2);
        assertThat(text(pdf))
                .containsSubsequence(
                        "Oakhollin Riding & Therapy Yard",
                        "3 Fen Lane",
                        "Riding contract",
                        "für Mäuse und Pferde ß",
                        "…………",
                        "Lessons",
                        "€120.50",
                        "Ponies are led in.",
                        "1 / 2",
                        "On the second page");
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Riding contract");
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en-GB");
            assertThat(document.getPage(0).getMediaBox().getWidth()).isBetween(595f, 596f);
        }
    }

    private Path withPicture(LetterSheet sheet) throws IOException {
        Path png = folder.resolve("map.png");
        BufferedImage map = new BufferedImage(3_000, 1_000, BufferedImage.TYPE_INT_RGB);
        ImageIO.write(map, "png", png.toFile());
        List<RichText> content = new ArrayList<>(contract());
        content.add(RichText.of(new Picture("map", 80), "The way to the yard"));
        Path pdf = folder.resolve("letter.pdf");
        LetterPdf.to(pdf, new LetterPages(content, head(), sheet, Map.of("map", png), "Riding contract", "en-GB"));
        return pdf;
    }

    @ParameterizedTest
    @EnumSource(
            value = PDFAFlavour.class,
            names = {"PDFA_2_A", "PDFUA_1"})
    void soDoesOneWithPicturesAndWordsOnEachPage(PDFAFlavour flavour) throws Exception {
        RichText small = RichText.of(new Picture("map", 20), "Mark of the yard");
        requireStandard(
                flavour,
                withPicture(new LetterSheet(
                        false, List.of(line("Oakhollin Riding Yard")), List.of(line("Bank 12 34"), small), true)));
    }

    @Test
    void whatBelongsOnEachPageStandsOnEach() throws Exception {
        Path pdf =
                withPicture(new LetterSheet(false, List.of(line("From the yard")), List.of(line("Bank 12 34")), true));
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            for (int page = 1; page <= 2; page++) {
                stripper.setStartPage(page);
                stripper.setEndPage(page);
                String words = stripper.getText(document);
                assertThat(words).contains("From the yard", "Bank 12 34", page + " / 2");
                assertThat(words).as("it has no head").doesNotContain("3 Fen Lane");
            }
        }
        Path plain = withPicture(new LetterSheet(false, List.of(), List.of(), false));
        assertThat(text(plain)).doesNotContain("1 / 2").contains("Ponies are led in.");
    }

    @Test
    void aPictureKeepsItsShapeAndIsNoHigherThanThePage() throws Exception {
        Path png = folder.resolve("tall.png");
        ImageIO.write(new BufferedImage(1_400, 1_960, BufferedImage.TYPE_INT_RGB), "png", png.toFile());
        List<RichText> content = List.of(line("Hello"), RichText.of(new Picture("tall", 60), "A tall picture"));
        Path pdf = folder.resolve("tall.pdf");
        assertThat(LetterPdf.to(pdf, tall(content, png))).isEqualTo(1);
        List<RichText> wide = List.of(line("Hello"), RichText.of(new Picture("tall", 164), "A tall picture"));
        assertThat(LetterPdf.to(pdf, tall(wide, png)))
                .as("164 by 230 mm go to the next page")
                .isEqualTo(2);
    }

    private static LetterPages tall(List<RichText> content, Path png) throws IOException {
        return new LetterPages(content, head(), LetterSheet.USUAL, Map.of("tall", png), "Tall", "en-GB");
    }

    @Test
    void aLetterWhosePictureIsMissingIsNone() {
        RichText picture = RichText.of(new Picture("gone", 80), "The way to the yard");
        assertThatIOException().isThrownBy(() -> written(List.of(picture))).withMessageContaining("picture");
    }

    @Test
    void hostileTextStandsOnThePageAndDoesNothing() throws Exception {
        String hostile =
                "</p><script>alert(1)</script><img src=\"file:///etc/passwd\"/>&amp; ]]> \u0000\u0008 @page {x}";
        String text = text(written(List.of(line(hostile), line("\ud83d\udc4d after"), line("end"))));
        assertThat(text.replaceAll("\\s+", " "))
                .contains("</p><script>alert(1)</script><img src=\"file:///etc/passwd\"/>&amp; ]]>")
                .contains("after", "end");
    }

    @Test
    void wordsAreReadAsTheyWereWrittenWithoutLigaturesAndWithTheirMarks() throws Exception {
        String text =
                text(written(List.of(line("The office fills fifty offers for Rene\u0301 and A\u030angstro\u0308m"))));
        assertThat(text).contains("The office fills fifty offers for René and Ångström");
    }

    @Test
    void fortyPagesAreLaidOut() throws Exception {
        List<RichText> content = new ArrayList<>();
        for (int i = 0; i < 1_300; i++) {
            content.add(
                    line("Clause " + i + ": whoever rides at the yard wears a hat that fits and boots with a heel."));
        }
        Path pdf = folder.resolve("long.pdf");
        assertThat(LetterPdf.to(pdf, new LetterPages(content, head(), "Long", "en-GB")))
                .isGreaterThan(40);
        assertThat(text(pdf)).contains("Clause 0:", "Clause 1299:");
    }

    @Test
    void aPlaceThatWasNotFilledIsNoLetter() {
        RichText place = RichText.of(Type.PARAGRAPH, RichText.of(new Place("day", Place.Format.PLAIN, null, true)));
        assertThatIllegalArgumentException().isThrownBy(() -> written(List.of(place)));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterHead("Yard", "", "red; } body { x", new byte[0]));
    }
}
