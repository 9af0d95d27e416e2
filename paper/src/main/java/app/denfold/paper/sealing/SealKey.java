package app.denfold.paper.sealing;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.KeyStore;
import java.security.PrivateKey;
import java.security.SecureRandom;
import java.security.Signature;
import java.security.cert.Certificate;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.X500NameBuilder;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509v3CertificateBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;

/** The key that seals signed papers: RSA 3072 with a certificate of its own, kept in a PKCS #12 file. */
public final class SealKey implements Signer {

    private static final Duration LIFE = Duration.ofDays(20 * 365);

    private final Path file;
    private final char[] password;

    private SealKey(Path file, char[] password) {
        this.file = file;
        this.password = password.clone();
    }

    /**
     * Opens the key in the file, or makes a new one there.
     *
     * @param owner the practice's name, as it stands in the certificate
     * @param now the certificate is valid from an hour before
     * @throws IOException when the file cannot be read or written
     */
    public static SealKey openOrMake(Path file, char[] password, String owner, Instant now) throws IOException {
        if (!Files.exists(file)) {
            try {
                write(file, password, owner, now);
            } catch (GeneralSecurityException | OperatorCreationException impossible) {
                throw new IOException("The key for sealing could not be made", impossible);
            }
        }
        return new SealKey(file, password);
    }

    private static void write(Path file, char[] password, String owner, Instant now)
            throws IOException, GeneralSecurityException, OperatorCreationException {
        KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA");
        generator.initialize(3072);
        KeyPair pair = generator.generateKeyPair();
        KeyStore store = KeyStore.getInstance("PKCS12");
        store.load(null, password);
        store.setKeyEntry("seal", pair.getPrivate(), password, new Certificate[] {certificate(pair, owner, now)});
        Files.createDirectories(file.toAbsolutePath().getParent());
        Path fresh = Files.createTempFile(
                file.toAbsolutePath().getParent(),
                "seal",
                ".new",
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try (OutputStream out = Files.newOutputStream(fresh)) {
            store.store(out, password);
        }
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
    }

    private static X509Certificate certificate(KeyPair pair, String owner, Instant now)
            throws GeneralSecurityException, OperatorCreationException, IOException {
        X500Name name = new X500NameBuilder()
                .addRDN(BCStyle.CN, owner + ", document seal")
                .addRDN(BCStyle.O, owner)
                .build();
        X509CertificateHolder holder = new JcaX509v3CertificateBuilder(
                        name,
                        new BigInteger(127, new SecureRandom()).setBit(100),
                        Date.from(now.minus(Duration.ofHours(1))),
                        Date.from(now.plus(LIFE)),
                        name,
                        pair.getPublic())
                .addExtension(
                        Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature | KeyUsage.nonRepudiation))
                .build(new JcaContentSignerBuilder("SHA256withRSA").build(pair.getPrivate()));
        return new JcaX509CertificateConverter().getCertificate(holder);
    }

    /** The chain of the key, its own certificate first, in DER. @throws IOException when the file cannot be read */
    public List<byte[]> certificates() throws IOException {
        try {
            List<byte[]> chain = new ArrayList<>();
            KeyStore store = opened();
            for (Certificate certificate : store.getCertificateChain(alias(store))) {
                chain.add(certificate.getEncoded());
            }
            return chain;
        } catch (GeneralSecurityException unreadable) {
            throw new IOException("The key for sealing cannot be read", unreadable);
        }
    }

    @Override
    public byte[] sign(byte[] bytes) throws IOException {
        try {
            KeyStore store = opened();
            Signature signature = Signature.getInstance("SHA256withRSA");
            signature.initSign((PrivateKey) store.getKey(alias(store), password));
            signature.update(bytes);
            return signature.sign();
        } catch (GeneralSecurityException unreadable) {
            throw new IOException("The key for sealing cannot be used", unreadable);
        }
    }

    private KeyStore opened() throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance("PKCS12");
        try (InputStream in = Files.newInputStream(file)) {
            store.load(in, password);
        }
        return store;
    }

    private static String alias(KeyStore store) throws GeneralSecurityException {
        return store.aliases().nextElement();
    }
}
