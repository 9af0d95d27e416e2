package app.denfold.paper.sealing;

import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.validation.ByteRange;
import eu.europa.esig.dss.pades.validation.PAdESSignature;
import eu.europa.esig.dss.pades.validation.PDFDocumentValidator;
import eu.europa.esig.dss.spi.DSSASN1Utils;
import eu.europa.esig.dss.spi.DSSUtils;
import eu.europa.esig.dss.spi.signature.AdvancedSignature;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.bouncycastle.asn1.ASN1Encoding;
import org.bouncycastle.asn1.DERSet;
import org.bouncycastle.asn1.cms.Attribute;
import org.bouncycastle.asn1.cms.AttributeTable;
import org.bouncycastle.asn1.cms.CMSObjectIdentifiers;
import org.bouncycastle.asn1.cms.ContentInfo;
import org.bouncycastle.asn1.cms.IssuerAndSerialNumber;
import org.bouncycastle.asn1.cms.SignedData;
import org.bouncycastle.asn1.cms.SignerIdentifier;
import org.bouncycastle.asn1.cms.SignerInfo;
import org.bouncycastle.asn1.ess.ESSCertIDv2;
import org.bouncycastle.asn1.ess.SigningCertificateV2;
import org.bouncycastle.asn1.pkcs.PKCSObjectIdentifiers;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSSignedData;

/** Looks at the seals of a PDF (PAdES, ETSI EN 319 142-1): whether the file is as it was when it was sealed. */
public final class CheckSeals {

    private static final int MOST_PAGES_COMPARED = 200;

    private CheckSeals() {}

    /**
     * @return the seals in the order in which they were put; none for a PDF without any
     * @throws IOException when this is no PDF that can be read
     */
    public static List<CheckedSeal> of(byte[] pdf) throws IOException {
        if (!new String(pdf, 0, Math.min(pdf.length, 1024), StandardCharsets.ISO_8859_1).contains("%PDF-")) {
            throw new IOException("This is no PDF.");
        }
        PDFDocumentValidator validator = new PDFDocumentValidator(new InMemoryDocument(pdf));
        validator.setCertificateVerifier(new CommonCertificateVerifier());
        List<CheckedSeal> seals = new ArrayList<>();
        List<AdvancedSignature> found = new ArrayList<>(validator.getSignatures());
        found.sort(Comparator.comparingInt(s -> end(range(s))));
        for (AdvancedSignature signature : found) {
            seals.add(checked((PAdESSignature) signature, pdf));
        }
        return seals;
    }

    private static CheckedSeal checked(PAdESSignature signature, byte[] pdf) throws IOException {
        ByteRange range = range(signature);
        int end = Math.min(end(range), pdf.length);
        boolean intact = range.isValid()
                && signature.getSignatureCryptographicVerification().isSignatureIntact()
                && signature.getSignatureCryptographicVerification().isReferenceDataIntact()
                && isPlain(gap(range, pdf));
        boolean coversAll = end == pdf.length;
        byte[] then = Arrays.copyOf(pdf, end);
        CertificateToken certificate = signature.getSigningCertificateToken();
        return new CheckedSeal(
                certificate == null ? new byte[0] : certificate.getEncoded(),
                certificate == null ? "nobody named" : DSSASN1Utils.getHumanReadableName(certificate),
                signature.getSigningTime() == null
                        ? null
                        : signature.getSigningTime().toInstant(),
                intact,
                coversAll,
                HexFormat.of().formatHex(sha256(then)),
                coversAll || !intact ? List.of() : added(then, pdf));
    }

    private static byte[] sha256(byte[] bytes) {
        return DSSUtils.digest(DigestAlgorithm.SHA256, bytes);
    }

    private static ByteRange range(AdvancedSignature signature) {
        return ((PAdESSignature) signature).getPdfRevision().getPdfSigDictInfo().getByteRange();
    }

    private static int end(ByteRange range) {
        return range.getSecondPartStart() + range.getSecondPartEnd();
    }

    /** The seal itself, between the two parts that it covers. */
    private static byte[] gap(ByteRange range, byte[] pdf) {
        int from = Math.min(range.getFirstPartEnd(), pdf.length);
        int to = Math.max(from, Math.min(range.getSecondPartStart(), pdf.length));
        return Arrays.copyOfRange(pdf, from, to);
    }

    /**
     * Whether the seal stands there as it is written, which it cannot cover itself: hexadecimal digits of one case in
     * angle brackets, the signature and then zeros alone.
     */
    private static boolean isPlain(byte[] gap) {
        String words = new String(gap, StandardCharsets.ISO_8859_1);
        if (!words.matches("<(?:[0-9a-f]*|[0-9A-F]*)>")) {
            return false;
        }
        byte[] bytes = HexFormat.of().parseHex(words, 1, words.length() - 1);
        int length = lengthOfDer(bytes);
        for (int i = length; i < bytes.length; i++) {
            if (bytes[i] != 0) {
                return false;
            }
        }
        return isAsSigned(Arrays.copyOf(bytes, length));
    }

    /**
     * Whether all around what was signed is what it must be: the certificate is the one that the signer named (RFC 5035), and
     * the rest is written as it follows from it (RFC 5652). A signature of another build is left to the library.
     */
    private static boolean isAsSigned(byte[] der) {
        try {
            CMSSignedData signature = new CMSSignedData(der);
            if (signature.getSignerInfos().size() != 1
                    || signature.getCertificates().getMatches(null).size() != 1) {
                return true;
            }
            X509CertificateHolder certificate =
                    signature.getCertificates().getMatches(null).iterator().next();
            SignedData all = SignedData.getInstance(signature.toASN1Structure().getContent());
            SignerInfo signer = SignerInfo.getInstance(all.getSignerInfos().getObjectAt(0));
            SignerInfo same = new SignerInfo(
                    new SignerIdentifier(new IssuerAndSerialNumber(certificate.toASN1Structure())),
                    signer.getDigestAlgorithm(),
                    signer.getAuthenticatedAttributes(),
                    signer.getDigestEncryptionAlgorithm(),
                    signer.getEncryptedDigest(),
                    signer.getUnauthenticatedAttributes());
            SignedData again = new SignedData(
                    new DERSet(signer.getDigestAlgorithm()),
                    new ContentInfo(CMSObjectIdentifiers.data, null),
                    all.getCertificates(),
                    null,
                    new DERSet(same));
            byte[] expected = new ContentInfo(CMSObjectIdentifiers.signedData, again).getEncoded(ASN1Encoding.DER);
            return Arrays.equals(expected, der) && isNamed(certificate, signature);
        } catch (CMSException | IOException | RuntimeException unreadable) {
            return false;
        }
    }

    private static boolean isNamed(X509CertificateHolder certificate, CMSSignedData signature) throws IOException {
        AttributeTable signed = signature.getSignerInfos().iterator().next().getSignedAttributes();
        Attribute named = signed == null ? null : signed.get(PKCSObjectIdentifiers.id_aa_signingCertificateV2);
        if (named == null) {
            return true;
        }
        ESSCertIDv2 id = SigningCertificateV2.getInstance(named.getAttrValues().getObjectAt(0))
                .getCerts()[0];
        DigestAlgorithm algorithm =
                DigestAlgorithm.forOID(id.getHashAlgorithm().getAlgorithm().getId());
        return Arrays.equals(DSSUtils.digest(algorithm, certificate.getEncoded()), id.getCertHash());
    }

    /** Of the first object, by X.690: one byte for its kind, then its length in one byte or in several. */
    private static int lengthOfDer(byte[] bytes) {
        if (bytes.length < 2) {
            return bytes.length;
        }
        int first = bytes[1] & 0xFF;
        if (first < 0x80) {
            return 2 + first;
        }
        int count = first & 0x7F;
        long length = 0;
        for (int i = 0; i < count && 2 + i < bytes.length; i++) {
            length = length << 8 | bytes[2 + i] & 0xFF;
        }
        return (int) Math.min(bytes.length, 2L + count + length);
    }

    /** In what the file differs from what it was. */
    private static List<String> added(byte[] then, byte[] now) throws IOException {
        List<String> added = new ArrayList<>();
        try (PDDocument before = Loader.loadPDF(then);
                PDDocument after = Loader.loadPDF(now)) {
            int more = after.getNumberOfPages() - before.getNumberOfPages();
            if (more != 0) {
                int pages = Math.abs(more);
                added.add((pages == 1 ? "one page" : pages + " pages") + (more > 0 ? " more" : " fewer"));
            }
            int common = Math.min(MOST_PAGES_COMPARED, Math.min(before.getNumberOfPages(), after.getNumberOfPages()));
            for (int page = 0; page < common; page++) {
                if (!text(before, page).equals(text(after, page))) {
                    added.add("other words on page " + (page + 1));
                }
                if (before.getPage(page).getAnnotations().size()
                        != after.getPage(page).getAnnotations().size()) {
                    added.add("marks or fields on page " + (page + 1));
                }
            }
        }
        return added.isEmpty() ? List.of("something that neither words nor marks of the pages show") : added;
    }

    private static String text(PDDocument document, int page) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        stripper.setStartPage(page + 1);
        stripper.setEndPage(page + 1);
        return stripper.getText(document);
    }
}
