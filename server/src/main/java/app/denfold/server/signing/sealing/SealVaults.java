package app.denfold.server.signing.sealing;

import app.denfold.paper.sealing.KeyFile;
import app.denfold.paper.sealing.KeyToken;
import app.denfold.paper.sealing.KeyVault;
import app.denfold.paper.sealing.SealKey;
import app.denfold.server.practice.PrivateFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.SecureRandom;
import java.security.cert.Certificate;
import java.time.Instant;
import java.util.Arrays;
import java.util.Base64;
import java.util.Collections;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where the keys of this installation's seals are: in a file among its keys, readable by its owner only, or in a token. */
@Component
class SealVaults {

    private static final String KEY_FILE = "practice.p12";

    /** Of installations from before the practice had a root; what it sealed is still known. */
    private static final String FORMER_KEY_FILE = "seal.p12";

    private final Path folder;
    private final String library;
    private final @Nullable Long slot;
    private final char[] pin;

    private @Nullable KeyToken token;

    /**
     * @param library of a PKCS #11 token; empty where the keys are kept in a file
     * @param slot of the token; empty for the first that has one
     */
    SealVaults(
            @Value("${denfold.keys}") Path folder,
            @Value("${denfold.seal-token.library}") String library,
            @Value("${denfold.seal-token.slot}") String slot,
            @Value("${denfold.seal-token.pin}") String pin) {
        this.folder = folder.toAbsolutePath();
        this.library = library.strip();
        this.slot = slot.isBlank() ? null : slotOf(slot.strip());
        this.pin = pin.toCharArray();
    }

    private static Long slotOf(String slot) {
        try {
            return Long.decode(slot);
        } catch (NumberFormatException wrong) {
            throw new IllegalArgumentException("DENFOLD_SEAL_TOKEN_SLOT is a slot's number, not “" + slot + "”", wrong);
        }
    }

    /** Where the keys are now. @throws IOException when the token is not there, in words for whoever runs the product */
    synchronized KeyVault vault() throws IOException {
        if (library.isEmpty()) {
            return file();
        }
        if (token == null) {
            token = KeyToken.find(Path.of(library), slot, pin);
        }
        return token;
    }

    /** Whether keys may have been made there. */
    boolean isUsed() {
        return !library.isEmpty() || Files.exists(folder.resolve(KEY_FILE));
    }

    /** When the file was written last; the beginning of time for a token or where there is none yet. */
    Instant writtenAt() throws IOException {
        return library.isEmpty() && isUsed()
                ? Files.getLastModifiedTime(folder.resolve(KEY_FILE)).toInstant()
                : Instant.EPOCH;
    }

    /** Whether a certificate is of keys that the installation had before. @param certificate in DER */
    boolean isFormer(byte[] certificate) throws IOException {
        try {
            return !library.isEmpty()
                            && Files.exists(folder.resolve(KEY_FILE))
                            && SealKey.open(file()).knows(certificate)
                    || isInFormerFile(certificate);
        } catch (GeneralSecurityException unreadable) {
            throw new IOException("The former key for sealing cannot be read", unreadable);
        }
    }

    private boolean isInFormerFile(byte[] certificate) throws IOException, GeneralSecurityException {
        Path former = folder.resolve(FORMER_KEY_FILE);
        if (!Files.exists(former)) {
            return false;
        }
        KeyStore store = new KeyFile(former, password()).open();
        for (String alias : Collections.list(store.aliases())) {
            Certificate known = store.getCertificate(alias);
            if (known != null && Arrays.equals(known.getEncoded(), certificate)) {
                return true;
            }
        }
        return false;
    }

    private KeyFile file() throws IOException {
        return new KeyFile(folder.resolve(KEY_FILE), password());
    }

    private char[] password() throws IOException {
        PrivateFolder.closed(folder);
        Path file = folder.resolve("seal.password");
        if (!Files.exists(file)) {
            byte[] secret = new byte[24];
            new SecureRandom().nextBytes(secret);
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(file, Base64.getUrlEncoder().encodeToString(secret));
        }
        return Files.readString(file).strip().toCharArray();
    }
}
