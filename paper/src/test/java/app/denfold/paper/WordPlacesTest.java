package app.denfold.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.PlacedText;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.reading.Recognise;
import app.denfold.paper.reading.WordBox;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.util.Matrix;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where words stand on a page, in text layers and in scans. */
class WordPlacesTest {

    private static final PDType1Font FONT = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    private static final Offset<Integer> NEAR = Offset.offset(120);

    @TempDir
    Path folder;

    /** One page; each line is written at its own place in points from the lower left. */
    private static PageFacts page(PDPage page, Matrix... lines) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                for (Matrix at : lines) {
                    content.beginText();
                    content.setFont(FONT, 20);
                    content.setTextMatrix(at);
                    content.showText("Certificate of  first aid");
                    content.endText();
                }
            }
            document.save(out);
            return ReadPages.written(out.toByteArray()).get(0);
        }
    }

    private static List<String> words(PageFacts page) {
        return Arrays.asList(page.text().split("\\s+"));
    }

    @Test
    void wordsOfATextLayerStandWhereTheyWereWritten() throws IOException {
        PageFacts page = page(
                new PDPage(new PDRectangle(600, 800)),
                Matrix.getTranslateInstance(60, 700),
                Matrix.getTranslateInstance(300, 400));
        assertThat(words(page))
                .containsExactly("Certificate", "of", "first", "aid", "Certificate", "of", "first", "aid");
        assertThat(page.boxes()).hasSize(8);
        WordBox first = page.boxes().get(0);
        assertThat(first.left()).isCloseTo(1000, NEAR);
        assertThat(first.top() + first.height()).isCloseTo(1290, NEAR);
        assertThat(first.width()).isBetween(1200, 1800);
        assertThat(page.boxes().get(1).left()).isGreaterThan(first.left() + first.width());
        assertThat(page.boxes().get(4).left()).isCloseTo(5000, NEAR);
        assertThat(page.boxes().get(4).top()).isBetween(4700, 5000);
    }

    @ParameterizedTest
    @CsvSource({
        "0, 1000, 1100, 1125, 188",
        "90, 8713, 1000, 188, 1125",
        "180, 7875, 8713, 1125, 188",
        "270, 1100, 7875, 188, 1125"
    })
    void wordsThatRunSidewaysHaveTheirPlacesToo(int rotation, int left, int top, int width, int height)
            throws IOException {
        PDPage turned = new PDPage(new PDRectangle(800, 800));
        turned.setRotation(rotation);
        WordBox first =
                page(turned, Matrix.getTranslateInstance(80, 700)).boxes().get(0);
        Offset<Integer> rounding = Offset.offset(2);
        assertThat(first.left()).isCloseTo(left, rounding);
        assertThat(first.top()).isCloseTo(top, rounding);
        assertThat(first.width()).isCloseTo(width, rounding);
        assertThat(first.height()).isCloseTo(height, rounding);
    }

    @Test
    void placesAreThoseOfThePageAsItIsSeen() throws IOException {
        PDPage turned = new PDPage(new PDRectangle(600, 800));
        turned.setRotation(90);
        // written so that it stands upright once the page is turned clockwise
        PageFacts page = page(turned, new Matrix(0, 1, -1, 0, 60, 80));
        assertThat(words(page)).containsExactly("Certificate", "of", "first", "aid");
        WordBox first = page.boxes().get(0);
        assertThat(first.left()).isCloseTo(1000, NEAR);
        assertThat(first.top() + first.height()).isBetween(900, 1200);
        assertThat(first.width()).isGreaterThan(first.height());
    }

    @Test
    void everyWordOfAScanHasItsPlaceInReadingOrder() throws IOException {
        List<PageFacts> pages = new ArrayList<>();
        ReadPages.each(
                DrawnPages.png(folder, DrawnPages.text(List.of("First aid certificate", "Issued 5 November 2026"))),
                Format.PNG,
                ReadPages.Settings.english(),
                1,
                pages::add);
        PageFacts page = pages.get(0);
        assertThat(page.textFrom()).isEqualTo(PageFacts.TextFrom.RECOGNISED);
        List<String> words = words(page);
        assertThat(words).contains("certificate", "November");
        assertThat(page.boxes()).hasSameSizeAs(words).allSatisfy(b -> {
            assertThat(b.width()).isBetween(10, 4000);
            assertThat(b.left() + b.width()).isLessThanOrEqualTo(WordBox.WHOLE);
        });
        WordBox certificate = page.boxes().get(words.indexOf("certificate"));
        WordBox november = page.boxes().get(words.indexOf("November"));
        assertThat(november.top()).isGreaterThan(certificate.top() + certificate.height() / 2);
    }

    @Test
    void tesseractsTableIsReadWithLinesParagraphsAndPlaces() {
        PlacedText read = Recognise.words(
                List.of(
                        "level\tpage_num\tblock_num\tpar_num\tline_num\tword_num\tleft\ttop\twidth\theight\tconf\ttext",
                        "1\t1\t0\t0\t0\t0\t0\t0\t1000\t2000\t-1\t",
                        "5\t1\t1\t1\t1\t1\t100\t200\t50\t20\t96.1\tFirst",
                        "5\t1\t1\t1\t1\t2\t160\t200\t40\t20\t91.0\taid",
                        "5\t1\t1\t1\t2\t1\t100\t240\t90\t20\t80.5\tcertificate",
                        "5\t1\t1\t1\t2\t2\t200\t240\t9\t20\t10.0\t ",
                        "5\t1\t2\t1\t1\t1\t100\t400\t990\t20\t80.5\tIssued",
                        "broken"),
                1000,
                2000);
        assertThat(read.text()).isEqualTo("First aid\ncertificate\n\nIssued");
        assertThat(read.boxes())
                .containsExactly(
                        new WordBox(1000, 1000, 500, 100),
                        new WordBox(1600, 1000, 400, 100),
                        new WordBox(1000, 1200, 900, 100),
                        new WordBox(1000, 2000, 9000, 100));
    }

    @Test
    void wordsAndPlacesMustAnswerEachOther() {
        assertThatThrownBy(() -> new PlacedText("two words", List.of(WordBox.NOWHERE)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(PlacedText.filledUp(List.of(), "three more words"))
                .hasSize(3)
                .containsOnly(WordBox.NOWHERE);
    }
}
