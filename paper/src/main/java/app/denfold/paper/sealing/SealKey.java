package app.denfold.paper.sealing;

import java.io.IOException;
import java.math.BigInteger;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyStore;
import java.security.PrivateKey;
import java.security.SecureRandom;
import java.security.Signature;
import java.security.cert.Certificate;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.X500NameBuilder;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.asn1.x509.BasicConstraints;
import org.bouncycastle.asn1.x509.ExtendedKeyUsage;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.KeyPurposeId;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.cert.CertIOException;
import org.bouncycastle.cert.X509v3CertificateBuilder;
import org.bouncycastle.cert.jcajce.JcaX509CRLConverter;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509ExtensionUtils;
import org.bouncycastle.cert.jcajce.JcaX509v2CRLBuilder;
import org.bouncycastle.cert.jcajce.JcaX509v3CertificateBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;
import org.jspecify.annotations.Nullable;

/**
 * The keys by which a practice's seals are known, in a file or a token. A root, which strangers trust, lasts long; it speaks
 * for the key that seals and the one that stamps the time. Those are renewed before they end, and what they sealed is known
 * by the root for as long as that is trusted. All are RSA 3072.
 */
public final class SealKey implements Signer {

    private static final Duration LIFE_OF_ROOT = Duration.ofDays(30 * 365);
    private static final Duration LIFE = Duration.ofDays(3 * 365);

    /** So long before its end a key is renewed. */
    private static final Duration AHEAD = Duration.ofDays(180);

    static final int BITS = 3072;

    private static final String ROOT = "root";
    private static final String SEAL = "seal";
    private static final String STAMP = "stamp";

    private final KeyVault vault;

    /** Opened once: making the key of its password is slow on purpose. */
    private @Nullable KeyStore open;

    private final Map<String, PrivateKey> keys = new ConcurrentHashMap<>();

    private SealKey(KeyVault vault) {
        this.vault = vault;
    }

    /**
     * Opens the keys in the vault, or makes new ones there; those that end within half a year are renewed.
     *
     * @param owner the practice's name, as it stands in the certificates
     * @param now certificates are valid from an hour before
     * @throws IOException when the vault cannot be read or written
     */
    public static SealKey openOrMake(KeyVault vault, String owner, Instant now) throws IOException {
        SealKey key = new SealKey(vault);
        try {
            key.makeWhatIsMissing(owner, now);
        } catch (GeneralSecurityException | OperatorCreationException impossible) {
            throw new IOException("The key for sealing could not be made", impossible);
        }
        return key;
    }

    /** Keys that are there already, as they are: to know by them what they sealed. */
    public static SealKey open(KeyVault vault) {
        return new SealKey(vault);
    }

    private void makeWhatIsMissing(String owner, Instant now)
            throws IOException, GeneralSecurityException, OperatorCreationException {
        KeyStore store = opened();
        boolean changed = false;
        if (!store.containsAlias(ROOT)) {
            KeyPair pair = vault.makePair();
            vault.put(store, ROOT, pair.getPrivate(), List.of(root(pair, owner, now)));
            changed = true;
        }
        for (String alias : List.of(SEAL, STAMP)) {
            if (!store.containsAlias(alias) || endsSoon(store, alias, now)) {
                KeyPair pair = vault.makePair();
                X509Certificate own = issued(store, pair, alias, owner, now);
                vault.put(store, alias, pair.getPrivate(), List.of(own, store.getCertificate(ROOT)));
                changed = true;
            }
        }
        if (changed) {
            vault.keep(store);
        }
    }

    private static boolean endsSoon(KeyStore store, String alias, Instant now) throws GeneralSecurityException {
        return ((X509Certificate) store.getCertificate(alias))
                .getNotAfter()
                .toInstant()
                .isBefore(now.plus(AHEAD));
    }

    private static X500Name name(String owner, String what) {
        return new X500NameBuilder()
                .addRDN(BCStyle.CN, owner + ", " + what)
                .addRDN(BCStyle.O, owner)
                .build();
    }

    private static X509v3CertificateBuilder certificate(
            X500Name issuer, X500Name subject, KeyPair pair, Instant now, Instant until) {
        return new JcaX509v3CertificateBuilder(
                issuer,
                new BigInteger(127, new SecureRandom()).setBit(100),
                Date.from(now.minus(Duration.ofHours(1))),
                Date.from(until),
                subject,
                pair.getPublic());
    }

    private static X509Certificate root(KeyPair pair, String owner, Instant now)
            throws GeneralSecurityException, OperatorCreationException, CertIOException {
        X500Name name = name(owner, "papers");
        X509v3CertificateBuilder builder = certificate(name, name, pair, now, now.plus(LIFE_OF_ROOT))
                .addExtension(Extension.basicConstraints, true, new BasicConstraints(0))
                .addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.keyCertSign | KeyUsage.cRLSign))
                .addExtension(
                        Extension.subjectKeyIdentifier,
                        false,
                        new JcaX509ExtensionUtils().createSubjectKeyIdentifier(pair.getPublic()));
        return new JcaX509CertificateConverter()
                .getCertificate(builder.build(new JcaContentSignerBuilder("SHA256withRSA").build(pair.getPrivate())));
    }

    private X509Certificate issued(KeyStore store, KeyPair pair, String alias, String owner, Instant now)
            throws GeneralSecurityException, OperatorCreationException, CertIOException {
        X509Certificate root = (X509Certificate) store.getCertificate(ROOT);
        boolean seals = alias.equals(SEAL);
        X509v3CertificateBuilder builder = certificate(
                        X500Name.getInstance(root.getSubjectX500Principal().getEncoded()),
                        name(owner, seals ? "document seal" : "time"),
                        pair,
                        now,
                        now.plus(LIFE))
                .addExtension(
                        Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature | KeyUsage.nonRepudiation))
                .addExtension(
                        Extension.authorityKeyIdentifier,
                        false,
                        new JcaX509ExtensionUtils().createAuthorityKeyIdentifier(root))
                .addExtension(
                        Extension.subjectKeyIdentifier,
                        false,
                        new JcaX509ExtensionUtils().createSubjectKeyIdentifier(pair.getPublic()));
        if (!seals) {
            builder.addExtension(
                    Extension.extendedKeyUsage, true, new ExtendedKeyUsage(KeyPurposeId.id_kp_timeStamping));
        }
        PrivateKey issuer = vault.key(store, ROOT);
        return new JcaX509CertificateConverter()
                .getCertificate(builder.build(new JcaContentSignerBuilder("SHA256withRSA").build(issuer)));
    }

    /** The chain of the sealing key, its own certificate first, the root last, in DER. */
    public List<byte[]> certificates() throws IOException {
        try {
            List<byte[]> chain = new ArrayList<>();
            for (Certificate certificate : opened().getCertificateChain(SEAL)) {
                chain.add(certificate.getEncoded());
            }
            return chain;
        } catch (GeneralSecurityException unreadable) {
            throw unreadable(unreadable);
        }
    }

    /**
     * By what its seals are known, with a list of revoked certificates made now; none ever was.
     *
     * @param authorities certificates of other time-stamp authorities that are trusted, in DER
     */
    public Trust trust(List<byte[]> authorities, Instant now) throws IOException {
        try {
            KeyStore store = opened();
            X509Certificate root = (X509Certificate) store.getCertificate(ROOT);
            byte[] list = new JcaX509CRLConverter()
                    .getCRL(new JcaX509v2CRLBuilder(root, Date.from(now.minus(Duration.ofMinutes(1))))
                            .setNextUpdate(Date.from(now.plus(LIFE)))
                            .addExtension(
                                    Extension.authorityKeyIdentifier,
                                    false,
                                    new JcaX509ExtensionUtils().createAuthorityKeyIdentifier(root))
                            .build(new JcaContentSignerBuilder("SHA256withRSA").build(key(ROOT))))
                    .getEncoded();
            return new Trust(certificates(), List.of(list), authorities);
        } catch (GeneralSecurityException | OperatorCreationException unreadable) {
            throw unreadable(unreadable);
        }
    }

    /** Whether a certificate is spoken for by the root. @param certificate in DER */
    public boolean knows(byte[] certificate) throws IOException {
        try {
            X509Certificate root = (X509Certificate) opened().getCertificate(ROOT);
            X509Certificate other = (X509Certificate) java.security.cert.CertificateFactory.getInstance("X.509")
                    .generateCertificate(new java.io.ByteArrayInputStream(certificate));
            if (Arrays.equals(root.getEncoded(), certificate)) {
                return true;
            }
            other.verify(root.getPublicKey());
            return true;
        } catch (GeneralSecurityException otherIssuer) {
            return false;
        }
    }

    /** Stamps the time in the practice's own name. */
    public StampAuthority authority() throws IOException {
        try {
            KeyStore store = opened();
            List<X509Certificate> chain = new ArrayList<>();
            for (Certificate certificate : store.getCertificateChain(STAMP)) {
                chain.add((X509Certificate) certificate);
            }
            return new StampAuthority(key(STAMP), chain);
        } catch (GeneralSecurityException unreadable) {
            throw unreadable(unreadable);
        }
    }

    @Override
    public byte[] sign(byte[] bytes) throws IOException {
        try {
            Signature signature = Signature.getInstance("SHA256withRSA");
            signature.initSign(key(SEAL));
            signature.update(bytes);
            return signature.sign();
        } catch (GeneralSecurityException unreadable) {
            throw unreadable(unreadable);
        }
    }

    /** By the practice's own stand-in. */
    @Override
    public byte[] stamp(byte[] request) throws IOException {
        return authority().stamp(request, Instant.now());
    }

    private static IOException unreadable(Exception why) {
        return new IOException("The key for sealing cannot be used", why);
    }

    /** Opened once as well, for the same reason. */
    private PrivateKey key(String alias) throws IOException, GeneralSecurityException {
        PrivateKey known = keys.get(alias);
        if (known == null) {
            known = vault.key(opened(), alias);
            keys.put(alias, known);
        }
        return known;
    }

    private synchronized KeyStore opened() throws IOException, GeneralSecurityException {
        if (open != null) {
            return open;
        }
        KeyStore store = vault.open();
        open = store;
        return store;
    }
}
