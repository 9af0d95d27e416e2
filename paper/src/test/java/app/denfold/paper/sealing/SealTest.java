package app.denfold.paper.sealing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import eu.europa.esig.dss.enumerations.Indication;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.jaxb.object.Message;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.pades.validation.PDFDocumentValidator;
import eu.europa.esig.dss.simplereport.SimpleReport;
import eu.europa.esig.dss.spi.DSSUtils;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import eu.europa.esig.dss.spi.x509.CommonTrustedCertificateSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Signed copies and their seals, judged by poppler's pdfsig rather than by the library that made them. */
class SealTest {

    @TempDir
    Path folder;

    private static final Instant NOW = Instant.now();

    private static final List<SignedPart> PARTS = List.of(
            new SignedPart(
                    "Signed by Tamsin Korhola",
                    NOW.minusSeconds(120),
                    List.of(new SignatureMark(
                            "Tamsin Korhola",
                            "employee",
                            "25 Nov 2026 09:12",
                            SignatureMark.pen(List.of(List.of(
                                    new SignatureMark.Point(0.1, 0.5),
                                    new SignatureMark.Point(0.5, 0.2),
                                    new SignatureMark.Point(0.9, 0.7)))),
                            SignatureMark.Place.of(1, 0.1, 0.8)))),
            new SignedPart(
                    "Signed by Ødwin Ščerba",
                    NOW,
                    List.of(
                            new SignatureMark(
                                    "Ødwin Ščerba 馬",
                                    "director",
                                    "25 Nov 2026 09:14",
                                    SignatureMark.typed("Ødwin Ščerba 馬"),
                                    SignatureMark.Place.of(1, 0.6, 0.8)),
                            new SignatureMark(
                                    "Ødwin Ščerba 馬",
                                    "director",
                                    "",
                                    SignatureMark.written("25 November 2026"),
                                    new SignatureMark.Place(1, 0.6, 0.7, 0.2, 0.02)))));

    private static final Evidence EVIDENCE = new Evidence(List.of("# Evidence", "Signed by both."), "{\"signers\":2}");

    /** Made once: that takes longer than what is done with them. */
    @TempDir
    static Path keys;

    private static SealKey key(Instant now) throws IOException {
        return key(keys, now);
    }

    private static SealKey key(Path keys, Instant now) throws IOException {
        return SealKey.openOrMake(
                new KeyFile(keys.resolve("seal.p12"), "secret".toCharArray()), "Oakhollin Riding & Therapy Yard", now);
    }

    private byte[] sealed(Path original, Format format) throws IOException {
        return sealed(original, format, key(NOW));
    }

    private static byte[] sealed(Path original, Format format, SealKey key) throws IOException {
        return SignedCopy.make(
                original,
                format,
                PARTS,
                EVIDENCE,
                List.of(),
                new SignedCopy.Sealing(key.trust(List.of(), NOW), key),
                "Signed by both",
                NOW);
    }

    /** With the practice's root as the only one that is trusted. */
    private static SimpleReport validated(byte[] pdf, SealKey key) throws IOException {
        List<byte[]> chain = key.certificates();
        CommonTrustedCertificateSource trusted = new CommonTrustedCertificateSource();
        trusted.addCertificate(DSSUtils.loadCertificate(chain.get(chain.size() - 1)));
        CommonCertificateVerifier verifier = new CommonCertificateVerifier();
        verifier.setTrustedCertSources(trusted);
        verifier.setAIASource(null);
        PDFDocumentValidator validator = new PDFDocumentValidator(new InMemoryDocument(pdf));
        validator.setCertificateVerifier(verifier);
        return validator.validateDocument().getSimpleReport();
    }

    @Test
    void aStrangerWhoTrustsThePracticeAloneFindsEverySealGoodForTheLongTerm() throws Exception {
        SealKey key = key(NOW);
        SimpleReport report = validated(sealed(SamplePapers.pdf(folder, 2, 0), Format.PDF), key);
        assertThat(report.getSignatureIdList()).hasSize(4);
        for (String id : report.getSignatureIdList()) {
            assertThat(report.getIndication(id))
                    .as(report.getAdESValidationErrors(id).stream()
                                    .map(Message::getValue)
                                    .toList() + " " + report.getSubIndication(id))
                    .isEqualTo(Indication.TOTAL_PASSED);
        }
        assertThat(report.getSignatureIdList().stream().map(report::getSignatureFormat))
                .contains(SignatureLevel.PAdES_BASELINE_LT);
    }

    @Test
    void anInterruptedSigningShowsWhatWasSignedSoFar() throws Exception {
        byte[] pdf = sealed(SamplePapers.pdf(folder, 1, 0), Format.PDF);
        List<CheckedSeal> seals = CheckSeals.of(pdf);
        assertThat(seals).hasSize(4).allMatch(CheckedSeal::intact);
        assertThat(seals.stream().map(CheckedSeal::coversAll)).containsExactly(false, false, false, true);
        byte[] afterTheFirst = Arrays.copyOf(pdf, endOfRevision(pdf, 0));
        assertThat(CheckSeals.of(afterTheFirst)).hasSize(1).allMatch(CheckedSeal::coversAll);
        try (PDDocument then = Loader.loadPDF(afterTheFirst)) {
            assertThat(new PDFTextStripper().getText(then))
                    .contains("Tamsin Korhola")
                    .doesNotContain("director");
        }
    }

    /** Where a seal's range ends, in the order of the file. */
    private static int endOfRevision(byte[] pdf, int number) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getSignatureDictionaries().stream()
                    .map(s -> s.getByteRange()[2] + s.getByteRange()[3])
                    .sorted()
                    .toList()
                    .get(number);
        }
    }

    @Test
    void programsReadTheEvidenceFromTheCopy() throws Exception {
        try (PDDocument copy = Loader.loadPDF(sealed(SamplePapers.pdf(folder, 1, 0), Format.PDF))) {
            PDComplexFileSpecification file = copy.getDocumentCatalog()
                    .getNames()
                    .getEmbeddedFiles()
                    .getNames()
                    .get(Evidence.FILE);
            assertThat(new String(file.getEmbeddedFile().toByteArray(), StandardCharsets.UTF_8))
                    .isEqualTo("{\"signers\":2}");
        }
    }

    @Test
    void whatOthersSealedBeforeStaysGood() throws Exception {
        SealKey others = SealKey.openOrMake(
                new KeyFile(keys.resolve("others/seal.p12"), "other".toCharArray()), "Velmora Insurance", NOW);
        Path theirs =
                Files.write(folder.resolve("theirs.pdf"), sealed(SamplePapers.pdf(folder, 1, 0), Format.PDF, others));
        byte[] both = sealed(theirs, Format.PDF);
        assertThat(Arrays.copyOf(both, (int) Files.size(theirs)))
                .as("continued, not written anew")
                .isEqualTo(Files.readAllBytes(theirs));
        assertThat(CheckSeals.of(both)).hasSize(8).allMatch(CheckedSeal::intact);
        assertThat(pdfsig(both)).doesNotContain("Signature is Invalid").doesNotContain("Digest Mismatch");
    }

    @Test
    void whatOthersClosedForGoodIsKeptAsItIsWithinTheCopy() throws Exception {
        SealKey others = SealKey.openOrMake(
                new KeyFile(keys.resolve("others/seal.p12"), "other".toCharArray()), "Velmora Insurance", NOW);
        byte[] plain = Files.readAllBytes(SamplePapers.pdf(folder, 2, 0));
        byte[] theirs;
        try (PDDocument document = Loader.loadPDF(plain)) {
            COSDictionary permissions = new COSDictionary();
            permissions.setItem(COSName.getPDFName("DocMDP"), new COSDictionary());
            document.getDocumentCatalog().getCOSObject().setItem(COSName.getPDFName("Perms"), permissions);
            theirs = Seal.put(document, others.trust(List.of(), NOW), others, Seal.Level.PLAIN, "Certified", NOW);
        }
        SealKey key = key(NOW);
        byte[] copy = sealed(Files.write(folder.resolve("certified.pdf"), theirs), Format.PDF);
        assertThat(CheckSeals.of(copy)).hasSize(4).allMatch(CheckedSeal::intact).allMatch(s -> knows(key, s));
        try (PDDocument document = Loader.loadPDF(copy)) {
            assertThat(document.getNumberOfPages()).isEqualTo(3);
            assertThat(document.getDocumentCatalog()
                            .getNames()
                            .getEmbeddedFiles()
                            .getNames()
                            .get("as-others-sealed-it.pdf")
                            .getEmbeddedFile()
                            .toByteArray())
                    .isEqualTo(theirs);
        }
    }

    private static boolean knows(SealKey key, CheckedSeal seal) {
        try {
            return key.knows(seal.certificate());
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    @Test
    void sealsOfARenewedKeyAreKnownAsBefore() throws Exception {
        SealKey first = key(folder, NOW);
        byte[] before = first.certificates().get(0);
        byte[] old = sealed(SamplePapers.pdf(folder, 1, 0), Format.PDF, first);
        SealKey renewed = key(folder, NOW.plus(Duration.ofDays(1000)));
        assertThat(renewed.certificates().get(0)).isNotEqualTo(before);
        assertThat(renewed.knows(before)).isTrue();
        assertThat(renewed.knows(CheckSeals.of(old).get(0).certificate())).isTrue();
        assertThat(key(folder, NOW.plus(Duration.ofDays(1001))).certificates().get(0))
                .as("once is enough")
                .isEqualTo(renewed.certificates().get(0));
        SealKey others = SealKey.openOrMake(
                new KeyFile(keys.resolve("others/seal.p12"), "other".toCharArray()), "Velmora Insurance", NOW);
        assertThat(renewed.knows(others.certificates().get(0))).isFalse();
        assertThat(renewed.knows("no certificate".getBytes(StandardCharsets.UTF_8)))
                .isFalse();
    }

    @Test
    void aRenewedCopyIsGoodForLongerAndNoByteOfItWasChanged() throws Exception {
        SealKey key = key(NOW);
        byte[] sealed = sealed(SamplePapers.pdf(folder, 1, 0), Format.PDF, key);
        byte[] renewed = SignedCopy.renewed(sealed, new SignedCopy.Sealing(key.trust(List.of(), NOW), key), NOW);
        assertThat(Arrays.copyOf(renewed, sealed.length)).isEqualTo(sealed);
        SimpleReport report = validated(renewed, key);
        assertThat(report.getSignatureIdList()).hasSize(5);
        for (String id : report.getSignatureIdList()) {
            assertThat(report.getIndication(id)).isEqualTo(Indication.TOTAL_PASSED);
        }
        assertThat(report.getSignatureIdList().stream().map(report::getSignatureFormat))
                .contains(SignatureLevel.PAdES_BASELINE_LTA);
        List<CheckedSeal> seals = CheckSeals.of(renewed);
        assertThat(seals).hasSize(5).allMatch(CheckedSeal::intact);
        assertThat(seals.get(4).coversAll()).isTrue();
        assertThat(pdfsig(renewed)).contains("Total document signed");
    }

    @Test
    void withoutTheTimeNothingIsSealed() throws Exception {
        SealKey key = key(NOW);
        Signer lost = new Signer() {
            @Override
            public byte[] sign(byte[] bytes) throws IOException {
                return key.sign(bytes);
            }

            @Override
            public byte[] stamp(byte[] request) throws IOException {
                throw new IOException("The time-stamp service cannot be reached");
            }
        };
        Path paper = SamplePapers.pdf(folder, 1, 0);
        assertThatThrownBy(() -> SignedCopy.make(
                        paper,
                        Format.PDF,
                        PARTS,
                        EVIDENCE,
                        List.of(),
                        new SignedCopy.Sealing(key.trust(List.of(), NOW), lost),
                        "Signed",
                        NOW))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("cannot be reached");
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
                assertThat(text)
                        .contains("Tamsin Korhola, employee", "Ødwin Ščerba ?", "25 November 2026", "Signed by both.");
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
