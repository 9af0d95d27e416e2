package app.denfold.server.audit;

import app.denfold.server.practice.PrivateFolder;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The key of the trail's chain. It lies outside of the database, so that whoever can rewrite that cannot make a chain
 * that fits. Made on the first start; a trail without its key cannot be checked.
 */
@Component
class TrailKey {

    private static final int BYTES = 32;

    private final SecretKeySpec key;

    TrailKey(@Value("${denfold.keys}") Path folder) throws IOException {
        this.key = new SecretKeySpec(HexFormat.of().parseHex(openOrMake(folder.toAbsolutePath())), "HmacSHA256");
    }

    private static String openOrMake(Path folder) throws IOException {
        Path file = PrivateFolder.closed(folder).resolve("trail.key");
        if (!Files.exists(file)) {
            byte[] fresh = new byte[BYTES];
            new SecureRandom().nextBytes(fresh);
            Path whole = Files.createTempFile(
                    folder,
                    "trail",
                    ".new",
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(whole, HexFormat.of().formatHex(fresh));
            try {
                // never over one that another start has just made
                Files.createLink(file, whole);
            } catch (FileAlreadyExistsException made) {
                // that one holds
            } finally {
                Files.delete(whole);
            }
        }
        return Files.readString(file).strip();
    }

    String hmac(byte[] bytes) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            return HexFormat.of().formatHex(mac.doFinal(bytes));
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
