package app.denfold.paper.copies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.PagePoint;
import app.denfold.core.marks.WordsToCover;
import app.denfold.paper.DrawnPages;
import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.SamplePapers;
import app.denfold.paper.reading.DrawnText;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.PlacedText;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is covered is gone from a copy; strangers look for it: poppler's tools and qpdf, and recognition on the finished pages. */
class LeavingCopyTest {

    private static final String SECRET = SecretPapers.SECRET;

    @TempDir
    Path folder;

    private final List<PageFacts> told = new ArrayList<>();

    private Path copy(Path file, Format format, List<Cover> covers, List<ShownMark> marks, boolean recognise)
            throws IOException {
        Path copy = Files.createTempFile(folder, "copy", ".pdf");
        told.clear();
        LeavingCopy.to(
                copy,
                file,
                format,
                new LeavingCopy.Wanted(covers, marks, "Copy 17 for Hallam Insurance, 30 November 2026"),
                new LeavingCopy.Settings(recognise, "eng"),
                told::add);
        return copy;
    }

    /** Covers wherever the file itself says that the secret stands. */
    private static List<Cover> coversOf(Path pdf, String... phrases) throws IOException {
        List<Cover> covers = new ArrayList<>();
        try (PDDocument document = PdfFiles.open(pdf)) {
            DrawnText text = new DrawnText(document);
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                for (WordsToCover.Hit hit :
                        WordsToCover.on(page(text.written(page)), WordsToCover.Wanted.phrases(phrases))) {
                    if (!hit.areas().isEmpty()) {
                        covers.add(new Cover(page, hit.areas(), "private", List.of(hit.words())));
                    }
                }
            }
        }
        return covers;
    }

    private static WordsToCover.Page page(PlacedText text) {
        return new WordsToCover.Page(
                text.text(),
                text.boxes().stream()
                        .map(b -> new PageBox(b.left(), b.top(), b.width(), b.height()))
                        .toList());
    }

    private String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    /** All that can be got out of a copy without looking at its pages: its text, and every object unpacked. */
    private String insides(Path copy) throws Exception {
        String checked = run("qpdf", "--check", copy.toString());
        assertThat(checked).doesNotContain("WARNING");
        Path unpacked = folder.resolve("unpacked.pdf");
        run("qpdf", "--qdf", "--object-streams=disable", copy.toString(), unpacked.toString());
        return run("pdftotext", "-layout", copy.toString(), "-")
                + Files.readString(unpacked, StandardCharsets.ISO_8859_1)
                + Files.readString(unpacked, StandardCharsets.ISO_8859_1).replace("\0", "");
    }

    private String recognisedOn(Path copy) throws Exception {
        run("pdftoppm", "-r", "150", "-gray", "-png", copy.toString(), "drawn");
        StringBuilder said = new StringBuilder();
        try (var drawn = Files.newDirectoryStream(folder, "drawn*.png")) {
            for (Path page : drawn) {
                said.append(run("tesseract", page.toString(), "-", "-l", "eng", "--psm", "3"));
                Files.delete(page);
            }
        }
        return said.toString();
    }

    @ParameterizedTest
    @EnumSource
    void whatIsCoveredIsGoneFromEveryPlace(SecretPapers.Place place) throws Exception {
        Path paper = SecretPapers.with(folder, place);
        assertThat(insides(paper)).as("the paper itself").contains(SECRET);
        List<Cover> covers = coversOf(paper, SECRET);
        assertThat(covers).isNotEmpty();
        byte[] before = Files.readAllBytes(paper);

        Path copy = copy(paper, Format.PDF, covers, List.of(), true);

        assertThat(insides(copy)).doesNotContainIgnoringCase(SECRET).doesNotContain(SecretPapers.hex(SECRET));
        assertThat(recognisedOn(copy)).containsIgnoringCase("riding").doesNotContainIgnoringCase(SECRET);
        assertThat(ArchiveCopy.holds(copy)).isTrue();
        assertThat(Files.readAllBytes(paper)).isEqualTo(before);
    }

    @Test
    void openWordsCanStillBeSearchedFor() throws Exception {
        Path paper = SecretPapers.with(folder, SecretPapers.Place.TEXT);
        Path copy = copy(paper, Format.PDF, coversOf(paper, SECRET), List.of(), true);
        assertThat(run("pdftotext", copy.toString(), "-"))
                .contains("riding lessons")
                .contains("second page")
                .contains("Copy 17 for Hallam Insurance");
        assertThat(told)
                .as("each page when it is drawn, and again in the finished copy")
                .extracting(PageFacts::number)
                .containsExactly(1, 2, 1, 2);
        assertThat(told.get(3).text()).contains("second page");
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 90, 180, 270})
    void aCoverLiesWhereThePageIsSeen(int rotation) throws Exception {
        Path paper = SamplePapers.pdf(folder, 2, rotation);
        List<Cover> covers = coversOf(paper, "Page 1");
        assertThat(covers).hasSize(1);
        Path copy = copy(paper, Format.PDF, covers, List.of(), false);
        assertThat(told.get(2).text()).doesNotContain("Page").contains("Copy 17");
        assertThat(told.get(3).text()).contains("Page", "2");
    }

    @Test
    void aScanIsClosedInItsPixels() throws Exception {
        Path scan = DrawnPages.png(folder, DrawnPages.text(List.of("A letter to " + SECRET, "about riding lessons")));
        Cover cover = new Cover(1, List.of(new PageBox(0, 0, 10_000, 1_050)), null, List.of(SECRET));
        Path copy = copy(scan, Format.PNG, List.of(cover), List.of(), true);
        run("pdfimages", "-png", copy.toString(), "picture");
        assertThat(run("tesseract", folder.resolve("picture-000.png").toString(), "-"))
                .contains("riding lessons")
                .doesNotContain(SECRET);
    }

    @Test
    void hundredsOfPapersKeepWhatIsCovered() throws Exception {
        Random random = new Random(18);
        for (int i = 0; i < 300; i++) {
            SecretPapers.Scattered paper = SecretPapers.scattered(folder, random);
            List<Cover> covers = coversOf(paper.file(), paper.secrets()).stream()
                    .filter(c -> c.page() == 1)
                    .map(c -> new Cover(1, c.areas(), null, c.words()))
                    .toList();
            assertThat(covers).hasSize(paper.secrets().length - 1);
            Path copy = copy(paper.file(), Format.PDF, covers, List.of(), false);
            try (PDDocument document = PdfFiles.open(copy)) {
                String text = new PDFTextStripper().getText(document);
                assertThat(text).as("paper " + i).contains("Open").doesNotContain(paper.secrets());
                // drawing takes longest, so only some are looked at
                BufferedImage drawn = i % 5 == 0 ? new PDFRenderer(document).renderImageWithDPI(0, 100) : null;
                covers.forEach(c -> c.areas().forEach(a -> assertThat(drawn == null ? 0 : brightest(drawn, a))
                        .as("paper seen through its cover")
                        .isLessThan(110)));
            }
            Files.delete(copy);
            Files.delete(paper.file());
        }
    }

    /** Within an area, without its edge, which drawing smooths. */
    private static int brightest(BufferedImage page, PageBox area) {
        int brightest = 0;
        int left = area.left() * page.getWidth() / PageBox.WHOLE + 2;
        int right = area.right() * page.getWidth() / PageBox.WHOLE - 2;
        int top = area.top() * page.getHeight() / PageBox.WHOLE + 2;
        int bottom = area.bottom() * page.getHeight() / PageBox.WHOLE - 2;
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                brightest = Math.max(brightest, page.getRGB(x, y) >> 8 & 255);
            }
        }
        return brightest;
    }

    @Test
    void marksAreReadByAnotherProgramAndQuoteNothingThatIsCovered() throws Exception {
        Path paper = SecretPapers.with(folder, SecretPapers.Place.TEXT);
        List<ShownMark> marks = new ArrayList<>();
        PageBox area = new PageBox(1_000, 5_000, 3_000, 300);
        for (MarkKind kind : MarkKind.values()) {
            PageBox apart = new PageBox(1_000, 3_000 + 700 * kind.ordinal(), 4_000, 400);
            List<PagePoint> line = List.of(new PagePoint(1_000, 6_000), new PagePoint(4_000, 7_000));
            MarkShape shape = kind.hasAreas()
                    ? MarkShape.on(kind, List.of(apart), "said of " + kind)
                    : new MarkShape(kind, List.of(), List.of(line), "said of " + kind, null);
            marks.add(new ShownMark(1, shape, "Ottilie Brandt", 1_780_000_000_000L));
        }
        Path open = copy(paper, Format.PDF, List.of(), marks, true);
        String insides = insides(open);
        assertThat(insides)
                .contains("/Highlight", "/Text", "/Stamp", "/Ink", "/Line", "/Square", "(said of STAMP)")
                .contains("(Ottilie Brandt)", SECRET);
        try (PDDocument document = PdfFiles.open(open)) {
            assertThat(document.getPage(0).getAnnotations())
                    .hasSize(6)
                    .allMatch(a -> a.getNormalAppearanceStream() != null)
                    .extracting(PDAnnotation::getContents)
                    .contains("said of NOTE", "said of PEN");
        }
        assertThat(recognisedOn(open)).as("drawn by another program").contains("said of STAMP");
        Path closed = copy(paper, Format.PDF, coversOf(paper, SECRET), marks.subList(0, 5), true);
        assertThat(insides(closed)).contains("/Highlight").doesNotContain(SECRET);

        ShownMark quoting =
                new ShownMark(1, MarkShape.on(MarkKind.NOTE, List.of(area), "Ask " + SECRET + " again"), "OB", 0);
        assertThatThrownBy(() -> copy(paper, Format.PDF, coversOf(paper, SECRET), List.of(quoting), true))
                .hasMessageContaining("could still be read in a mark");
    }

    @Test
    void thereIsNoCopyOfAPageThatIsNotThereNorOfALockedPaper() throws Exception {
        Path paper = SamplePapers.pdf(folder, 1, 0);
        Cover beyond = new Cover(2, List.of(new PageBox(0, 0, 100, 100)), null, List.of());
        assertThatThrownBy(() -> copy(paper, Format.PDF, List.of(beyond), List.of(), true))
                .hasMessageContaining("there is no page 2; the paper has 1");
        Path locked = SamplePapers.lockedPdf(folder);
        assertThatThrownBy(() -> copy(locked, Format.PDF, List.of(), List.of(), true))
                .isInstanceOf(IOException.class);
    }

    @Test
    void theCheckNoticesWhatIsNotClosed() throws Exception {
        BufferedImage page = DrawnPages.text(List.of("A letter to " + SECRET));
        Cover cover = new Cover(1, List.of(new PageBox(0, 0, 10_000, 1_050)), "private", List.of(SECRET));
        assertThat(CoverAreas.areClosed(page, List.of(cover))).isFalse();
        CoverAreas.close(page, cover.areas().get(0));
        CoverAreas.name(page, cover.areas().get(0), "private");
        assertThat(CoverAreas.areClosed(page, List.of(cover))).isTrue();

        Path paper = SecretPapers.with(folder, SecretPapers.Place.TEXT);
        List<Cover> covers = coversOf(paper, SECRET);
        assertThatThrownBy(() -> CheckCovered.require(paper, covers)).hasMessageContaining("could still be read");
    }
}
