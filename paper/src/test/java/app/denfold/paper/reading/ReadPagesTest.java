package app.denfold.paper.reading;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.LikePapers;
import app.denfold.paper.DrawnPages;
import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.SamplePapers;
import app.denfold.paper.codes.PageCodes;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.copies.Unlock;
import app.denfold.paper.drawing.PerceptualHash;
import app.denfold.paper.drawing.TextOfPaper;
import app.denfold.paper.drawing.Turned;
import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ReadPagesTest {

    private static final List<String> CERTIFICATE = List.of(
            "First aid certificate",
            "This is to certify that Noor Vahdani, born 2 March 1991,",
            "attended the full course and passed the practical test.",
            "Course held at Fennick Hall, sixteen hours, outdoor settings.",
            "Issued 5 November 2026");

    @TempDir
    Path folder;

    private static List<PageFacts> read(Path file, Format format, ReadPages.Settings settings) throws IOException {
        List<PageFacts> pages = new ArrayList<>();
        ReadPages.each(file, format, settings, 1, pages::add);
        return pages;
    }

    private PageFacts read(BufferedImage page) throws IOException {
        return read(DrawnPages.png(folder, page), Format.PNG, ReadPages.Settings.english())
                .get(0);
    }

    @Test
    void aTextLayerIsTakenAsItIs() throws IOException {
        Path letter = Files.writeString(folder.resolve("a.txt"), String.join("\n", CERTIFICATE));
        Path pdf = folder.resolve("a.pdf");
        CopyPages.to(pdf, List.of(new CopyPages.Chosen(letter, Format.TEXT, 1, 0)));
        assertThat(read(SamplePapers.pdf(folder, 2, 0), Format.PDF, ReadPages.Settings.codesOnly()))
                .hasSize(2)
                .allSatisfy(p -> assertThat(p.turn()).isZero());
        assertThat(read(letter, Format.TEXT, ReadPages.Settings.codesOnly()))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.textFrom()).isEqualTo(PageFacts.TextFrom.LAYER);
                    assertThat(p.text()).contains("Noor Vahdani");
                });
    }

    @Test
    void aScanIsRecognisedAndUpsideDownPagesAreSetUpright() throws IOException {
        BufferedImage scan = DrawnPages.scanned(DrawnPages.text(CERTIFICATE), 0.8, 1);
        PageFacts upright = read(scan);
        assertThat(upright.textFrom()).isEqualTo(PageFacts.TextFrom.RECOGNISED);
        assertThat(upright.text()).contains("Vahdani").contains("5 November 2026");
        assertThat(upright.turn()).isZero();
        PageFacts over = read(Turned.by(scan, 180));
        assertThat(over.turn()).isEqualTo(180);
        assertThat(over.text()).contains("Vahdani");
        assertThat(LikePapers.apart(upright.perceptualHash(), over.perceptualHash()))
                .isLessThan(30);
    }

    @Test
    void anEmptyPageIsBlankWhateverTheDustAndAPageWithOneLineIsNot() throws IOException {
        PageFacts blank = read(DrawnPages.scanned(DrawnPages.empty(), 0.5, 2));
        assertThat(blank.blank()).isTrue();
        assertThat(blank.textFrom()).isEqualTo(PageFacts.TextFrom.NONE);
        BufferedImage line = DrawnPages.scanned(DrawnPages.text(List.of("Seen, no remarks.")), 0.5, 3);
        assertThat(read(line).blank()).isFalse();
        assertThat(read(DrawnPages.scanned(DrawnPages.text(List.of("Seen")), 0.5, 3))
                        .text())
                .contains("Seen");
    }

    @Test
    void aSecondScanOfOnePageLooksTheSameAndAnotherPageDoesNot() {
        BufferedImage page = DrawnPages.text(CERTIFICATE);
        String one = PerceptualHash.hash(DrawnPages.scanned(page, 0.4, 4));
        String two = PerceptualHash.hash(DrawnPages.scanned(page, -0.3, 5));
        List<String> other = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            other.add("Delivery of hay and straw, weight and price, line " + i);
        }
        String third = PerceptualHash.hash(DrawnPages.scanned(DrawnPages.text(other), 0.4, 6));
        assertThat(LikePapers.apart(one, two)).isLessThan(30);
        assertThat(LikePapers.apart(one, third)).isGreaterThan(40);
    }

    static Stream<Arguments> codes() {
        return Stream.of(
                        BarcodeFormat.QR_CODE,
                        BarcodeFormat.DATA_MATRIX,
                        BarcodeFormat.PDF_417,
                        BarcodeFormat.CODE_128,
                        BarcodeFormat.CODE_39)
                .flatMap(format -> Stream.of(0.0, 2.0, 90.0, 180.0, 47.0).map(turn -> Arguments.of(format, turn)));
    }

    @ParameterizedTest
    @MethodSource("codes")
    void codesAreReadAnywhereTurnedAndThroughNoise(BarcodeFormat format, double degrees) throws WriterException {
        BufferedImage page = DrawnPages.scanned(DrawnPages.code(format, "O-0147", degrees), 0.6, 7);
        assertThat(PageCodes.on(page))
                .containsExactly(new PageCodes.Code(
                        format.name().toLowerCase(Locale.ROOT).replace('_', '-'), "O-0147"));
    }

    @Test
    void aPageWithoutACodeYieldsNone() {
        assertThat(PageCodes.on(DrawnPages.scanned(DrawnPages.text(CERTIFICATE), 0.8, 8)))
                .isEmpty();
    }

    @Test
    void chosenPagesAreCopiedInOrderAndTurnedFromPapersOfSeveralFormats() throws IOException {
        Path pdf = SamplePapers.pdf(folder, 3, 0);
        Path fax = SamplePapers.tiff(folder, 2);
        Path copy = folder.resolve("copy.pdf");
        CopyPages.to(
                copy,
                List.of(
                        new CopyPages.Chosen(pdf, Format.PDF, 3, 90),
                        new CopyPages.Chosen(fax, Format.TIFF, 2, 0),
                        new CopyPages.Chosen(pdf, Format.PDF, 1, 0)));
        try (var document = PdfFiles.open(copy)) {
            assertThat(document.getNumberOfPages()).isEqualTo(3);
            assertThat(document.getPage(0).getRotation()).isEqualTo(90);
            var stripper = new org.apache.pdfbox.text.PDFTextStripper();
            assertThat(stripper.getText(document).replaceAll("\\s", "")).isEqualTo("Page3Page1");
        }
    }

    @Test
    void aLockedPdfOpensWithItsPasswordOnly() throws IOException {
        Path locked = SamplePapers.lockedPdf(folder);
        Path open = folder.resolve("open.pdf");
        assertThat(Unlock.to(open, locked, "wrong")).isFalse();
        assertThat(open).doesNotExist();
        assertThat(Unlock.to(open, locked, "user")).isTrue();
        assertThat(ReadPaper.read(open, "open.pdf")).isEqualTo(new Reading.Readable(Format.PDF, 1));
    }

    @Test
    void textFormatsAreToldByTheirNamesAndRecordingsByTheirContent() throws IOException {
        Path csv = Files.writeString(folder.resolve("x"), "name;day\nNoor;2026-11-25\n");
        assertThat(ReadPaper.read(csv, "list.csv")).isEqualTo(new Reading.Readable(Format.CSV, 1));
        Path html =
                Files.writeString(folder.resolve("h"), "<html><body><script>alert(1)</script>Hello yard</body></html>");
        assertThat(ReadPaper.read(html, "page.html")).isEqualTo(new Reading.Readable(Format.HTML, 1));
        assertThat(read(html, Format.HTML, ReadPages.Settings.codesOnly())
                        .get(0)
                        .text())
                .contains("Hello yard")
                .doesNotContain("alert");
        Path mail = Files.writeString(
                folder.resolve("m"),
                "From: ruth@post.example\nTo: papers@oakhollin.example\nSubject: Insurance card\n\nPlease find it attached.\n");
        assertThat(ReadPaper.read(mail, "note.eml")).isEqualTo(new Reading.Readable(Format.EML, 1));
        assertThat(read(mail, Format.EML, ReadPages.Settings.codesOnly()).get(0).text())
                .contains("Subject: Insurance card", "Please find it attached");
        byte[] wave = new byte[200];
        System.arraycopy("RIFF\0\0\0\0WAVEfmt ".getBytes(java.nio.charset.StandardCharsets.ISO_8859_1), 0, wave, 0, 16);
        Path memo = Files.write(folder.resolve("w"), wave);
        assertThat(ReadPaper.read(memo, "memo.wav")).isEqualTo(new Reading.Readable(Format.WAV, 0));
    }

    @Test
    void longTextsAreSetOnPagesWithoutLosingAWord() throws IOException {
        StringBuilder words = new StringBuilder();
        for (int i = 0; i < 3_000; i++) {
            words.append("word").append(i).append(i % 17 == 0 ? "\n" : " ");
        }
        Path text = Files.writeString(folder.resolve("long.txt"), words);
        List<String> pages = TextOfPaper.pages(text, Format.TEXT);
        assertThat(pages.size()).isGreaterThan(2);
        assertThat(String.join(" ", pages).split("\\s+")).hasSize(3_000);
        assertThat(pages).allSatisfy(p -> assertThat(p.lines().count()).isLessThanOrEqualTo(TextOfPaper.LINES));
    }
}
