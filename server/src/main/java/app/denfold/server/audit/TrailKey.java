package app.denfold.server.audit;

import app.denfold.server.practice.PrivateFolder;
import java.io.IOException;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
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

    private final SecretKeySpec key;

    TrailKey(@Value("${denfold.keys}") Path folder) throws IOException {
        this.key = new SecretKeySpec(HexFormat.of().parseHex(PrivateFolder.key(folder, "trail.key")), "HmacSHA256");
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
