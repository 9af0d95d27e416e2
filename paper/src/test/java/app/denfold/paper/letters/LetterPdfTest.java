package app.denfold.paper.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

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
        LetterPdf.to(pdf, content, head(), "Riding contract", "en-GB");
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
        Path pdf = written(contract());
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
        assertThat(LetterPdf.to(pdf, contract(), head(), "Riding contract", "en-GB"))
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
    void fortyPagesAreLaidOut() throws Exception {
        List<RichText> content = new ArrayList<>();
        for (int i = 0; i < 1_300; i++) {
            content.add(
                    line("Clause " + i + ": whoever rides at the yard wears a hat that fits and boots with a heel."));
        }
        Path pdf = folder.resolve("long.pdf");
        assertThat(LetterPdf.to(pdf, content, head(), "Long", "en-GB")).isGreaterThan(40);
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
