package app.denfold.paper.sealing;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.KeyStore;

/** Keys in a PKCS #12 file (RFC 7292) that only its owner can read. */
public final class KeyFile implements KeyVault {

    private final Path file;
    private final char[] password;

    public KeyFile(Path file, char[] password) {
        this.file = file;
        this.password = password.clone();
    }

    @Override
    public char[] password() {
        return password.clone();
    }

    @Override
    public KeyStore open() throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance("PKCS12");
        if (!Files.exists(file)) {
            store.load(null, password);
            return store;
        }
        try (InputStream in = Files.newInputStream(file)) {
            store.load(in, password);
        }
        return store;
    }

    @Override
    public KeyPair makePair() throws GeneralSecurityException {
        KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA");
        generator.initialize(SealKey.BITS);
        return generator.generateKeyPair();
    }

    /** Written beside and moved, so that a file that was there is replaced whole or not at all. */
    @Override
    public void keep(KeyStore store) throws IOException, GeneralSecurityException {
        Path folder = file.toAbsolutePath().getParent();
        Files.createDirectories(folder);
        Path fresh = Files.createTempFile(
                folder,
                "seal",
                ".new",
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try (OutputStream out = Files.newOutputStream(fresh)) {
            store.store(out, password);
        }
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
    }
}
