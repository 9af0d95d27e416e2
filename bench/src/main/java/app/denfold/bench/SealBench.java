package app.denfold.bench;

import app.denfold.paper.Format;
import app.denfold.paper.sealing.Evidence;
import app.denfold.paper.sealing.KeyFile;
import app.denfold.paper.sealing.SealKey;
import app.denfold.paper.sealing.SignatureMark;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.paper.sealing.SignedPart;
import eu.europa.esig.dss.alert.SilentOnStatusAlert;
import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.TimestampBinary;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.PAdESSignatureParameters;
import eu.europa.esig.dss.pades.signature.PAdESService;
import eu.europa.esig.dss.spi.DSSUtils;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import eu.europa.esig.dss.spi.x509.CommonTrustedCertificateSource;
import eu.europa.esig.dss.spi.x509.revocation.crl.ExternalResourcesCRLSource;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.bouncycastle.asn1.ASN1ObjectIdentifier;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampResponse;

/** Two pages sealed with one signer, evidence and all, against the same library called bare for one signature. */
public final class SealBench {

    private static final int ROUNDS = 30;
    private static final double GOAL = 1.5;

    private SealBench() {}

    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createTempDirectory("seal-bench");
        Path paper = folder.resolve("paper.pdf");
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            document.addPage(new PDPage());
            document.save(paper.toFile());
        }
        SealKey key = SealKey.openOrMake(
                new KeyFile(folder.resolve("key.p12"), "bench".toCharArray()), "Oakhollin", Instant.now());
        double[] ours = new double[ROUNDS];
        double[] bare = new double[ROUNDS];
        // both are warm before the first round counts
        for (int i = -5; i < ROUNDS; i++) {
            long begun = System.nanoTime();
            sealed(paper, key);
            long between = System.nanoTime();
            bare(Files.readAllBytes(paper), key);
            long ended = System.nanoTime();
            if (i >= 0) {
                ours[i] = (between - begun) / 1e6;
                bare[i] = (ended - between) / 1e6;
            }
        }
        Figures.told("seal-two-pages", Figures.median(ours), "ms");
        Figures.told("bare-two-pages", Figures.median(bare), "ms");
        Figures.atMost("seal-against-bare", Figures.median(ours) / Figures.median(bare), "times", GOAL);
    }

    private static void sealed(Path paper, SealKey key) throws IOException {
        Instant now = Instant.now();
        SignedCopy.make(
                paper,
                Format.PDF,
                List.of(new SignedPart(
                        "Signed by Tamsin Korhola",
                        now,
                        List.of(new SignatureMark(
                                "Tamsin Korhola",
                                "employee",
                                "today",
                                SignatureMark.typed("Tamsin Korhola"),
                                SignatureMark.Place.of(2, 0.1, 0.8))))),
                new Evidence(List.of("# How this paper was signed", "By Tamsin Korhola"), "{}"),
                List.of(),
                new SignedCopy.Sealing(key.trust(List.of(), now), key),
                "How it was signed",
                now);
    }

    private static void bare(byte[] pdf, SealKey key) throws IOException {
        var trust = key.trust(List.of(), Instant.now());
        List<CertificateToken> chain =
                trust.certificates().stream().map(DSSUtils::loadCertificate).toList();
        CommonTrustedCertificateSource trusted = new CommonTrustedCertificateSource();
        trusted.addCertificate(chain.get(1));
        CommonCertificateVerifier verifier = new CommonCertificateVerifier();
        verifier.setTrustedCertSources(trusted);
        verifier.setAIASource(null);
        verifier.setCrlSource(new ExternalResourcesCRLSource(
                new ByteArrayInputStream(trust.revoked().get(0))));
        verifier.setAlertOnMissingRevocationData(new SilentOnStatusAlert());
        verifier.setAlertOnNoRevocationAfterBestSignatureTime(new SilentOnStatusAlert());
        PAdESSignatureParameters parameters = new PAdESSignatureParameters();
        parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_LT);
        parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setSigningCertificate(chain.get(0));
        parameters.setCertificateChain(chain);
        parameters.bLevel().setSigningDate(new Date());
        PAdESService service = new PAdESService(verifier);
        service.setTspSource((algorithm, digest) -> stamped(key, algorithm, digest));
        InMemoryDocument document = new InMemoryDocument(pdf);
        byte[] toSign = service.getDataToSign(document, parameters).getBytes();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        service.signDocument(document, parameters, new SignatureValue(SignatureAlgorithm.RSA_SHA256, key.sign(toSign)))
                .writeTo(out);
    }

    private static TimestampBinary stamped(SealKey key, DigestAlgorithm algorithm, byte[] digest) {
        try {
            TimeStampRequestGenerator asking = new TimeStampRequestGenerator();
            asking.setCertReq(true);
            byte[] request = asking.generate(
                            new ASN1ObjectIdentifier(algorithm.getOid()), digest, BigInteger.valueOf(System.nanoTime()))
                    .getEncoded();
            return new TimestampBinary(new TimeStampResponse(key.stamp(request))
                    .getTimeStampToken()
                    .getEncoded());
        } catch (IOException | org.bouncycastle.tsp.TSPException failed) {
            throw new IllegalStateException(failed);
        }
    }
}
