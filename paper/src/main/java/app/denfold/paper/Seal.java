package app.denfold.paper;

import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.ToBeSigned;
import eu.europa.esig.dss.pades.PAdESSignatureParameters;
import eu.europa.esig.dss.pades.signature.PAdESService;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import eu.europa.esig.dss.token.DSSPrivateKeyEntry;
import eu.europa.esig.dss.token.Pkcs12SignatureToken;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.KeyStore.PasswordProtection;
import java.time.Instant;
import java.util.Date;

/** Seals a PDF: a PAdES baseline B signature (ETSI EN 319 142-1) over all its bytes. */
public final class Seal {

    private Seal() {}

    /**
     * @param reason printed in the signature, such as "Signed by both parties"
     * @throws IOException when the key cannot be read
     */
    public static byte[] put(byte[] pdf, SealKey key, String reason, Instant now) throws IOException {
        try (Pkcs12SignatureToken token =
                new Pkcs12SignatureToken(key.file().toFile(), new PasswordProtection(key.password()))) {
            DSSPrivateKeyEntry entry = token.getKeys().get(0);
            PAdESSignatureParameters parameters = new PAdESSignatureParameters();
            parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_B);
            parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
            parameters.setSigningCertificate(entry.getCertificate());
            parameters.setCertificateChain(entry.getCertificateChain());
            parameters.setReason(reason);
            parameters.bLevel().setSigningDate(Date.from(now));
            PAdESService service = new PAdESService(new CommonCertificateVerifier());
            InMemoryDocument document = new InMemoryDocument(pdf);
            ToBeSigned bytes = service.getDataToSign(document, parameters);
            SignatureValue value = token.sign(bytes, DigestAlgorithm.SHA256, entry);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            service.signDocument(document, parameters, value).writeTo(out);
            return out.toByteArray();
        }
    }
}
