package app.denfold.paper.sealing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Signed copies and their seals, judged by poppler's pdfsig rather than by the library that made them. */
class SealTest {

    @TempDir
    Path folder;

    private static final List<SignatureMark> MARKS = List.of(
            new SignatureMark(
                    "Tamsin Korhola",
                    "employee",
                    "25 Nov 2026 09:12",
                    SignatureMark.pen(List.of(List.of(
                            new SignatureMark.Point(0.1, 0.5),
                            new SignatureMark.Point(0.5, 0.2),
                            new SignatureMark.Point(0.9, 0.7)))),
                    new SignatureMark.Place(1, 0.1, 0.8)),
            new SignatureMark(
                    "Ødwin Ščerba 馬",
                    "director",
                    "25 Nov 2026 09:14",
                    SignatureMark.typed("Ødwin Ščerba 馬"),
                    new SignatureMark.Place(1, 0.6, 0.8)));

    private byte[] sealed(Path original, Format format) throws IOException {
        SealKey key = SealKey.openOrMake(
                folder.resolve("keys/seal.p12"),
                "secret".toCharArray(),
                "Oakhollin Riding & Therapy Yard",
                Instant.now());
        byte[] copy = SignedCopy.make(original, format, MARKS, List.of("# Evidence", "Signed by both."));
        return Seal.put(copy, key.certificates(), key, "Signed at the desk", Instant.now());
    }

    private String pdfsig(byte[] pdf) throws IOException, InterruptedException {
        Path file = Files.write(Files.createTempFile(folder, "sealed", ".pdf"), pdf);
        Process process = new ProcessBuilder("pdfsig", file.toString())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return output;
    }

    @Test
    void outsideToolsFindTheSealValid() throws Exception {
        byte[] pdf = sealed(SamplePapers.pdf(folder, 2, 0), Format.PDF);
        assertThat(pdfsig(pdf))
                .contains("Signature Validation: Signature is Valid.")
                .contains("Total document signed")
                .contains("ETSI.CAdES.detached");
    }

    @Test
    void oneChangedByteMakesItInvalid() throws Exception {
        byte[] pdf = sealed(SamplePapers.pdf(folder, 1, 0), Format.PDF);
        int at = new String(pdf, StandardCharsets.ISO_8859_1).indexOf("/MediaBox") + 12;
        pdf[at] ^= 1;
        assertThat(pdfsig(pdf)).doesNotContain("Signature is Valid");
    }

    @Test
    void theCopyHoldsThePagesTheSignersAndTheEvidence() throws Exception {
        for (int rotation : new int[] {0, 90, 180, 270}) {
            try (PDDocument copy = Loader.loadPDF(sealed(SamplePapers.pdf(folder, 2, rotation), Format.PDF))) {
                assertThat(copy.getNumberOfPages()).isEqualTo(3);
                String text = new PDFTextStripper().getText(copy);
                assertThat(text).contains("Tamsin Korhola, employee", "Ødwin Ščerba ?", "Signed by both.");
            }
        }
    }

    @Test
    void aPhotoBecomesASealedPdfToo() throws Exception {
        byte[] pdf = sealed(SamplePapers.tiff(folder, 2), Format.TIFF);
        assertThat(pdfsig(pdf)).contains("Signature is Valid.");
        try (PDDocument copy = Loader.loadPDF(pdf)) {
            assertThat(copy.getNumberOfPages()).isEqualTo(3);
        }
    }
}
