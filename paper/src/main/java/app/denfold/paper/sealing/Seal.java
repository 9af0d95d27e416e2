package app.denfold.paper.sealing;

import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.ToBeSigned;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.PAdESSignatureParameters;
import eu.europa.esig.dss.pades.signature.PAdESService;
import eu.europa.esig.dss.spi.DSSUtils;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.Date;
import java.util.List;

/** Seals a PDF: a PAdES baseline B signature (ETSI EN 319 142-1) over all its bytes. */
public final class Seal {

    private Seal() {}

    /**
     * @param certificates of the key that signs, its own first, in DER
     * @param signer holds the key; it is asked once, and sees nothing of the PDF but what is to be signed
     * @param reason printed in the signature, such as "Signed by both parties"
     * @throws IOException when the signer cannot sign
     */
    public static byte[] put(byte[] pdf, List<byte[]> certificates, Signer signer, String reason, Instant now)
            throws IOException {
        List<CertificateToken> chain =
                certificates.stream().map(DSSUtils::loadCertificate).toList();
        PAdESSignatureParameters parameters = new PAdESSignatureParameters();
        parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_B);
        parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setSigningCertificate(chain.get(0));
        parameters.setCertificateChain(chain);
        parameters.setReason(reason);
        parameters.bLevel().setSigningDate(Date.from(now));
        PAdESService service = new PAdESService(new CommonCertificateVerifier());
        InMemoryDocument document = new InMemoryDocument(pdf);
        ToBeSigned bytes = service.getDataToSign(document, parameters);
        SignatureValue value = new SignatureValue(SignatureAlgorithm.RSA_SHA256, signer.sign(bytes.getBytes()));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        service.signDocument(document, parameters, value).writeTo(out);
        return out.toByteArray();
    }
}
