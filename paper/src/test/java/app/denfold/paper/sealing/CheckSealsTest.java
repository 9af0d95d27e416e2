package app.denfold.paper.sealing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a stranger learns of a sealed copy. */
class CheckSealsTest {

    @TempDir
    Path folder;

    /** Made once: that takes longer than what is done with them. */
    @TempDir
    static Path keys;

    private static SealKey key(String owner) throws IOException {
        return SealKey.openOrMake(
                new KeyFile(keys.resolve(owner + "/seal.p12"), "secret".toCharArray()), owner, Instant.now());
    }

    private byte[] sealed(SealKey key) throws IOException {
        return SignedCopy.make(
                SamplePapers.pdf(folder, 2, 0),
                Format.PDF,
                List.of(),
                new Evidence(List.of("# Evidence", "Signed by both."), "{}"),
                List.of(),
                new SignedCopy.Sealing(key.trust(List.of(), Instant.now()), key),
                "Signed at the desk",
                Instant.now());
    }

    @Test
    void anUnchangedCopyIsToldWithWhoseSealItBears() throws Exception {
        SealKey key = key("Oakhollin");
        List<CheckedSeal> seals = CheckSeals.of(sealed(key));
        assertThat(seals).as("of the evidence and of the whole").hasSize(2).allMatch(CheckedSeal::intact);
        assertThat(seals.get(1).certificate()).isEqualTo(key.certificates().get(0));
        assertThat(seals.get(1).owner()).isEqualTo("Oakhollin, document seal");
        assertThat(seals.get(1).coversAll()).isTrue();
        assertThat(seals.get(1).added()).isEmpty();
        assertThat(CheckSeals.of(sealed(key("Somebody else"))).get(0).certificate())
                .isNotEqualTo(key.certificates().get(0));
    }

    /** Wherever it lies: in the pages, between them, in the seal itself or in the zeros behind it. */
    @Test
    void anyOneOtherByteIsNoticed() throws Exception {
        byte[] pdf = sealed(key("Oakhollin"));
        Random random = new Random(17);
        List<String> unnoticed = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            byte[] other = pdf.clone();
            int at = random.nextInt(pdf.length);
            other[at] ^= (byte) (1 + random.nextInt(255));
            if (isGood(other)) {
                unnoticed.add("byte " + at + " as " + other[at]);
            }
        }
        assertThat(unnoticed).isEmpty();
    }

    private static boolean isGood(byte[] pdf) {
        try {
            List<CheckedSeal> seals = CheckSeals.of(pdf);
            return seals.size() == 2
                    && seals.stream().allMatch(CheckedSeal::intact)
                    && seals.get(1).coversAll();
        } catch (IOException | RuntimeException noPdf) {
            return false;
        }
    }

    @Test
    void whatWasAddedAfterTheSealIsNamed() throws Exception {
        byte[] pdf = sealed(key("Oakhollin"));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDAnnotationText note = new PDAnnotationText();
            note.setContents("I never agreed to this");
            PDPage page = document.getPage(1);
            page.getAnnotations().add(note);
            page.getCOSObject().setNeedToBeUpdated(true);
            document.addPage(new PDPage());
            document.getPages().getCOSObject().setNeedToBeUpdated(true);
            document.saveIncremental(out);
        }
        List<CheckedSeal> seals = CheckSeals.of(out.toByteArray());
        assertThat(seals).hasSize(2).allMatch(CheckedSeal::intact).noneMatch(CheckedSeal::coversAll);
        assertThat(seals.get(1).added()).contains("one page more", "marks or fields on page 2");
    }

    @Test
    void aPdfWithoutASealHasNoneAndOtherFilesAreNoPdf() throws Exception {
        assertThat(CheckSeals.of(Files.readAllBytes(SamplePapers.pdf(folder, 1, 0))))
                .isEmpty();
        assertThatThrownBy(() -> CheckSeals.of("not a paper at all".getBytes()))
                .isInstanceOf(IOException.class)
                .hasMessage("This is no PDF.");
    }

    /** The seal that closes the file covers all but itself: there every third digit is changed into another one. */
    @Test
    void noDigitOfTheClosingSealCanBeAnotherOne() throws Exception {
        byte[] pdf = sealed(key("Oakhollin"));
        String words = new String(pdf, StandardCharsets.ISO_8859_1);
        int from = words.lastIndexOf("/Contents <") + 11;
        int to = words.indexOf("0000000000000000000000", from);
        List<String> unnoticed = new ArrayList<>();
        for (int at = from; at < to + 4; at += 3) {
            byte[] other = pdf.clone();
            other[at] = (byte) (other[at] == '7' ? '3' : '7');
            if (isGood(other)) {
                unnoticed.add("digit " + (at - from) + " before " + words.substring(at, at + 12));
            }
        }
        assertThat(to - from).isGreaterThan(2_000);
        assertThat(unnoticed).isEmpty();
    }
}
