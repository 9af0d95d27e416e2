package app.denfold.paper.sealing;

import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.DSSMessageDigest;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.TimestampBinary;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.PAdESSignatureParameters;
import eu.europa.esig.dss.pades.PAdESTimestampParameters;
import eu.europa.esig.dss.pades.signature.ExternalCMSService;
import eu.europa.esig.dss.pades.signature.PAdESService;
import eu.europa.esig.dss.spi.DSSUtils;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Date;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.ExternalSigningSupport;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.SignatureOptions;
import org.bouncycastle.asn1.ASN1ObjectIdentifier;
import org.bouncycastle.asn1.ASN1Primitive;
import org.bouncycastle.asn1.DERSet;
import org.bouncycastle.asn1.cms.Attribute;
import org.bouncycastle.asn1.cms.AttributeTable;
import org.bouncycastle.asn1.pkcs.PKCSObjectIdentifiers;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.SignerInformation;
import org.bouncycastle.cms.SignerInformationStore;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampRequest;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampResponse;
import org.bouncycastle.tsp.TimeStampToken;

/** Seals a PDF: PAdES baseline signatures (ETSI EN 319 142-1), each over all the bytes there are by then. */
final class Seal {

    /** Room for a signature and its certificate, in bytes. */
    private static final int ROOM = 12_000;

    /** And for a time-stamp with all its certificates. */
    private static final int ROOM_WITH_TIME = 24_000;

    private Seal() {}

    /** How long a seal can be checked. */
    enum Level {
        /** The bytes are signed: baseline B-B. */
        PLAIN,
        /** With the time on it: baseline B-T, and B-LT once {@link #addProof} has followed. */
        STAMPED
    }

    /** Writes behind a seal what strangers need to check it without asking anybody (ISO 32000-2, 12.8.4.3). */
    static void addProof(PDDocument document, Trust trust) throws IOException {
        COSDictionary store = new COSDictionary();
        store.setItem("Certs", streams(document, trust.certificates(), trust.authorities()));
        store.setItem("CRLs", streams(document, trust.revoked(), List.of()));
        document.getDocumentCatalog().getCOSObject().setItem("DSS", store);
    }

    private static COSArray streams(PDDocument document, List<byte[]> some, List<byte[]> more) throws IOException {
        COSArray all = new COSArray();
        for (byte[] bytes : Stream.concat(some.stream(), more.stream()).toList()) {
            all.add(new PDStream(document, new ByteArrayInputStream(bytes), COSName.FLATE_DECODE));
        }
        return all;
    }

    /**
     * Saves a document behind the bytes that it was read from, with a seal over all of them.
     *
     * @param document with what is to be sealed; read from a file that stays as it is
     * @param signer holds the key; it sees nothing of the PDF but what is to be signed and stamped
     * @param reason printed in the signature, such as "Signed by both parties"
     * @throws IOException when the signer cannot sign, or the time cannot be stamped
     */
    static byte[] put(PDDocument document, Trust trust, Signer signer, Level level, String reason, Instant now)
            throws IOException {
        PDSignature seal = new PDSignature();
        seal.setFilter(PDSignature.FILTER_ADOBE_PPKLITE);
        seal.setSubFilter(PDSignature.SUBFILTER_ETSI_CADES_DETACHED);
        seal.setReason(reason);
        seal.setSignDate(GregorianCalendar.from(now.atZone(ZoneOffset.UTC)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (SignatureOptions options = new SignatureOptions()) {
            options.setPreferredSignatureSize(level == Level.PLAIN ? ROOM : ROOM_WITH_TIME);
            document.addSignature(seal, options);
            ExternalSigningSupport saving = document.saveIncrementalForExternalSigning(out);
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            try (InputStream covered = new DigestInputStream(saving.getContent(), digest)) {
                covered.transferTo(OutputStream.nullOutputStream());
            }
            saving.setSignature(signature(digest.digest(), trust, signer, level, now));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
        return out.toByteArray();
    }

    private static byte[] signature(byte[] digest, Trust trust, Signer signer, Level level, Instant now)
            throws IOException {
        CertificateToken own = DSSUtils.loadCertificate(trust.certificates().get(0));
        PAdESSignatureParameters parameters = new PAdESSignatureParameters();
        parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_B);
        parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setSigningCertificate(own);
        // the root stands among the proof, where a seal covers it; in the signature itself nothing would
        parameters.setCertificateChain(own);
        parameters.bLevel().setSigningDate(Date.from(now));
        ExternalCMSService signing = new ExternalCMSService(new CommonCertificateVerifier());
        DSSMessageDigest covered = new DSSMessageDigest(DigestAlgorithm.SHA256, digest);
        byte[] toSign = signing.getDataToSign(covered, parameters).getBytes();
        byte[] signature = DSSUtils.toByteArray(signing.signMessageDigest(
                covered, parameters, new SignatureValue(SignatureAlgorithm.RSA_SHA256, signer.sign(toSign))));
        return level == Level.PLAIN ? signature : stamped(signature, signer);
    }

    /** The signature with the time on it (RFC 3161, appendix A). */
    private static byte[] stamped(byte[] signature, Signer signer) throws IOException {
        try {
            CMSSignedData signed = new CMSSignedData(signature);
            SignerInformation one = signed.getSignerInfos().iterator().next();
            TimeStampToken token = stamp(
                    new ASN1ObjectIdentifier(DigestAlgorithm.SHA256.getOid()),
                    DSSUtils.digest(DigestAlgorithm.SHA256, one.getSignature()),
                    signer);
            Attribute stamp = new Attribute(
                    PKCSObjectIdentifiers.id_aa_signatureTimeStampToken,
                    new DERSet(ASN1Primitive.fromByteArray(token.getEncoded())));
            SignerInformation withTime =
                    SignerInformation.replaceUnsignedAttributes(one, new AttributeTable(new DERSet(stamp)));
            return CMSSignedData.replaceSigners(signed, new SignerInformationStore(withTime))
                    .getEncoded();
        } catch (TSPException | CMSException wrong) {
            throw new IOException("The time-stamp does not fit: " + wrong.getMessage(), wrong);
        }
    }

    /**
     * Stamps the time on the whole file as it is now (ETSI EN 319 142-1, baseline B-LTA), so that what was sealed before holds
     * also when the certificates and algorithms of then no longer do.
     *
     * @throws IOException when the time cannot be stamped
     */
    static byte[] stampDocument(byte[] pdf, Signer signer) throws IOException {
        PAdESService service = new PAdESService(new CommonCertificateVerifier());
        service.setTspSource((algorithm, digest) -> {
            try {
                return new TimestampBinary(stamp(new ASN1ObjectIdentifier(algorithm.getOid()), digest, signer)
                        .getEncoded());
            } catch (TSPException wrong) {
                throw new UncheckedIOException(
                        new IOException("The time-stamp does not fit: " + wrong.getMessage(), wrong));
            } catch (IOException away) {
                throw new UncheckedIOException(away);
            }
        });
        PAdESTimestampParameters parameters = new PAdESTimestampParameters(DigestAlgorithm.SHA256);
        parameters.setContentSize(ROOM_WITH_TIME);
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            service.timestamp(new InMemoryDocument(pdf), parameters).writeTo(out);
            return out.toByteArray();
        } catch (UncheckedIOException away) {
            throw away.getCause();
        }
    }

    private static TimeStampToken stamp(ASN1ObjectIdentifier algorithm, byte[] digest, Signer signer)
            throws IOException, TSPException {
        TimeStampRequestGenerator asking = new TimeStampRequestGenerator();
        asking.setCertReq(true);
        TimeStampRequest request = asking.generate(algorithm, digest, new BigInteger(63, new SecureRandom()));
        TimeStampResponse response = new TimeStampResponse(signer.stamp(request.getEncoded()));
        response.validate(request);
        if (response.getTimeStampToken() == null) {
            throw new IOException("The time was not stamped: " + response.getStatusString());
        }
        return response.getTimeStampToken();
    }
}
