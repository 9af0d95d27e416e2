package app.denfold.paper.copies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.marks.PageBox;
import app.denfold.core.numbering.NumberForm;
import app.denfold.core.numbering.NumberPlace;
import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.SamplePapers;
import app.denfold.paper.drawing.PageFrame;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the copies hold is read by other programs than the one that made them. */
class NumberedCopyTest {

    private static final NumberForm OAK = new NumberForm("OAK-", 6);

    @TempDir
    Path folder;

    private static String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    private static NumberedCopy.Wanted wanted(long first, NumberPlace place, Map<Integer, List<PageBox>> words) {
        return new NumberedCopy.Wanted(OAK, first, place, 9, words, List.of());
    }

    private Path numbered(Path file, Format format, NumberedCopy.Wanted wanted) throws Exception {
        Path copy = Files.createTempFile(folder, "copy", ".pdf");
        List<Integer> told = new ArrayList<>();
        int pages = NumberedCopy.to(copy, file, format, wanted, told::add);
        assertThat(told).hasSize(pages);
        assertThat(run("qpdf", "--check", copy.toString())).doesNotContain("WARNING");
        return copy;
    }

    /** Where a word stands as the page is seen, in hundredths of its width and height. */
    private static int[] place(Path pdf, String word) throws Exception {
        String said = run("pdftotext", "-bbox", pdf.toString(), "-");
        double width;
        double height;
        double cut;
        try (PDDocument document = PdfFiles.open(pdf)) {
            PageFrame seen = PageFrame.of(document.getPage(0));
            width = seen.width();
            height = seen.height();
            cut = document.getPage(0).getCropBox().getLowerLeftX();
        }
        String line = said.lines()
                .filter(l -> l.contains(">" + word + "<"))
                .findFirst()
                .orElseThrow();
        return new int[] {
            (int) (100 * (number(line, "xMax=\"([0-9.]+)") - cut) / width),
            (int) (100 * number(line, "yMax=\"([0-9.]+)") / height)
        };
    }

    private static double number(String text, String pattern) {
        var found = java.util.regex.Pattern.compile(pattern).matcher(text);
        assertThat(found.find()).as(pattern).isTrue();
        return Double.parseDouble(found.group(1));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 90, 180, 270})
    void eachPageHasItsNumberInTheCornerOneSeesAlsoOnTurnedPages(int rotation) throws Exception {
        Path file = SamplePapers.pdf(folder, 3, rotation);
        byte[] before = Files.readAllBytes(file);
        Path copy = numbered(file, Format.PDF, wanted(9, NumberPlace.BOTTOM_RIGHT, Map.of()));
        for (int page = 1; page <= 3; page++) {
            String text = run("pdftotext", "-f", "" + page, "-l", "" + page, copy.toString(), "-");
            assertThat(text).contains("Page " + page, OAK.written(8 + page));
        }
        int[] at = place(copy, "OAK-000009");
        assertThat(at[0]).isBetween(94, 99);
        assertThat(at[1]).isBetween(95, 99);
        assertThat(Files.readAllBytes(file)).as("the original").isEqualTo(before);
    }

    /** @param x in points from the left, on an A4 page of which a part is cut off at the left and at the foot */
    private Path footed(boolean cropped, float... x) throws IOException {
        Path file = Files.createTempFile(folder, "footed", ".pdf");
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            if (cropped) {
                page.setCropBox(new PDRectangle(100, 100, 400, 600));
            }
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                for (float left : x) {
                    out.beginText();
                    out.setFont(new PDType1Font(FontName.HELVETICA), 8);
                    out.newLineAtOffset(left, cropped ? 122 : 22);
                    out.showText("Foot of the page");
                    out.endText();
                }
            }
            document.save(file.toFile());
        }
        return file;
    }

    @Test
    void theNumberAvoidsWhatStandsThereAndIsSetOnWhiteWhereNothingIsFree() throws Exception {
        Path right = numbered(footed(false, 500), Format.PDF, wanted(1, NumberPlace.BOTTOM_RIGHT, Map.of()));
        assertThat(place(right, "OAK-000001")[0]).as("in the middle").isBetween(50, 60);
        Path both = numbered(footed(false, 500, 270), Format.PDF, wanted(1, NumberPlace.BOTTOM_RIGHT, Map.of()));
        assertThat(place(both, "OAK-000001")[0]).as("at the left").isBetween(10, 20);
        Path all = numbered(footed(false, 20, 270, 500), Format.PDF, wanted(1, NumberPlace.BOTTOM_RIGHT, Map.of()));
        assertThat(place(all, "OAK-000001")[1]).as("at the top").isLessThan(8);
        Path cropped = numbered(footed(true, 430), Format.PDF, wanted(1, NumberPlace.BOTTOM_RIGHT, Map.of()));
        assertThat(place(cropped, "OAK-000001")[0])
                .as("in the middle of what is seen")
                .isBetween(50, 62);

        // words that were read say it without a look at the page
        Map<Integer, List<PageBox>> everywhere = Map.of(1, List.of(new PageBox(0, 0, 10_000, 10_000)));
        Path full = numbered(SamplePapers.pdf(folder, 1, 0), Format.PDF, wanted(1, NumberPlace.TOP_LEFT, everywhere));
        assertThat(place(full, "OAK-000001")[1]).isLessThan(8);
        try (PDDocument document = PdfFiles.open(full)) {
            assertThat(new String(document.getPage(0).getContents().readAllBytes(), StandardCharsets.ISO_8859_1))
                    .contains("1 1 1 rg")
                    .contains(" re\n");
        }
    }

    @Test
    void aPageThatIsTurnedToBeReadHasItsNumberWhereOneReadsIt() throws Exception {
        // the words stand at the foot of the page as it lies in the file, which is at its left once it is turned
        Map<Integer, List<PageBox>> words = Map.of(1, List.of(new PageBox(0, 9_000, 10_000, 1_000)));
        NumberedCopy.Wanted turned = new NumberedCopy.Wanted(OAK, 1, NumberPlace.BOTTOM_LEFT, 9, words, List.of(90));
        Path copy = numbered(SamplePapers.pdf(folder, 1, 0), Format.PDF, turned);
        try (PDDocument document = PdfFiles.open(copy)) {
            assertThat(document.getPage(0).getRotation()).isEqualTo(90);
        }
        int[] at = place(copy, "OAK-000001");
        assertThat(at[0]).isBetween(94, 99);
        assertThat(at[1]).isBetween(94, 99);
    }

    @Test
    void photosAndFaxesAreNumberedToo() throws Exception {
        Path photo =
                numbered(SamplePapers.image(folder, "jpg"), Format.JPEG, wanted(7, NumberPlace.TOP_RIGHT, Map.of()));
        assertThat(run("pdftotext", photo.toString(), "-")).contains("OAK-000007");
        Path fax = numbered(SamplePapers.tiff(folder, 3), Format.TIFF, wanted(8, NumberPlace.BOTTOM_LEFT, Map.of()));
        assertThat(run("pdftotext", fax.toString(), "-")).contains("OAK-000008", "OAK-000009", "OAK-000010");
    }

    @Test
    void whatCannotBeNumberedIsToldAndAnArchiveCopyStaysOne() throws Exception {
        Path locked = SamplePapers.lockedPdf(folder);
        assertThatThrownBy(() -> NumberedCopy.to(
                        folder.resolve("x.pdf"),
                        locked,
                        Format.PDF,
                        wanted(1, NumberPlace.TOP_LEFT, Map.of()),
                        p -> {}))
                .isInstanceOf(IOException.class);
        Path archive = folder.resolve("archive.pdf");
        ArchiveCopy.to(archive, SamplePapers.image(folder, "png"), Format.PNG);
        Path copy = numbered(archive, Format.PDF, wanted(1, NumberPlace.BOTTOM_MIDDLE, Map.of()));
        assertThat(ArchiveCopy.holds(copy)).isTrue();
    }
}
