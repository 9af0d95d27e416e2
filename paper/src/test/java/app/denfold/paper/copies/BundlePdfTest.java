package app.denfold.paper.copies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.PdfFiles;
import app.denfold.paper.SamplePapers;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BundlePdfTest {

    @TempDir
    Path folder;

    private static String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    @Test
    void everyPaperIsInTheContentsAtItsPageAndHasABookmark() throws Exception {
        Path first = SamplePapers.pdf(folder, 3, 0);
        Path second = SamplePapers.pdf(folder, 2, 90);
        Path bundle = folder.resolve("bundle.pdf");
        int pages = BundlePdf.to(
                bundle,
                "Inspections of the yard",
                List.of(
                        new BundlePdf.Part(first, "Electrical inspection"),
                        new BundlePdf.Part(second, "Fire extinguishers – Überprüfung")));
        assertThat(pages).isEqualTo(6);
        assertThat(run("qpdf", "--check", bundle.toString())).doesNotContain("WARNING");
        assertThat(run("pdftotext", "-layout", "-l", "1", bundle.toString(), "-"))
                .contains("Inspections of the yard")
                .containsPattern("1\\.\\s+Electrical inspection\\s+2\\b")
                .containsPattern("2\\.\\s+Fire extinguishers – Überprüfung\\s+5\\b");
        try (PDDocument document = PdfFiles.open(bundle)) {
            List<String> marks = new ArrayList<>();
            for (PDOutlineItem item :
                    document.getDocumentCatalog().getDocumentOutline().children()) {
                marks.add(
                        item.getTitle() + " " + (document.getPages().indexOf(item.findDestinationPage(document)) + 1));
            }
            assertThat(marks).containsExactly("Electrical inspection 2", "Fire extinguishers – Überprüfung 5");
            PDAnnotationLink link =
                    (PDAnnotationLink) document.getPage(0).getAnnotations().get(1);
            assertThat(((PDPageDestination) link.getDestination()).retrievePageNumber())
                    .isEqualTo(4);
            assertThat(document.getPage(4).getRotation()).isEqualTo(90);
            assertThat(new PDFTextStripper().getText(document)).contains("Page 3");
        }
    }

    @Test
    void aLongListOfContentsHasSeveralPages() throws IOException {
        Path one = SamplePapers.pdf(folder, 1, 0);
        List<BundlePdf.Part> parts = new ArrayList<>();
        for (int i = 1; i <= 100; i++) {
            parts.add(new BundlePdf.Part(one, "Paper " + i));
        }
        Path bundle = folder.resolve("bundle.pdf");
        int pages = BundlePdf.to(bundle, "All", parts);
        assertThat(pages).isEqualTo(103);
        try (PDDocument document = PdfFiles.open(bundle)) {
            PDFTextStripper text = new PDFTextStripper();
            text.setStartPage(3);
            text.setEndPage(3);
            assertThat(text.getText(document)).contains("100.  Paper 100").contains("103");
        }
    }

    @Test
    void aPartThatCannotBeReadIsTold() throws IOException {
        Path locked = SamplePapers.lockedPdf(folder);
        assertThatThrownBy(() -> BundlePdf.to(
                        folder.resolve("bundle.pdf"), "All", List.of(new BundlePdf.Part(locked, "Locked"))))
                .isInstanceOf(IOException.class);
    }
}
