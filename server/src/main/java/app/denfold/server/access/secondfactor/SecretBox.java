package app.denfold.server.access.secondfactor;

import app.denfold.server.practice.PrivateFolder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HexFormat;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor.CipherAlgorithm;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;

/** Seals shared secrets with a key that lies outside of the database, so that who reads that learns none (AES-GCM). */
@Component
class SecretBox {

    private static final int NONCE = 16;

    private final AesBytesEncryptor box;

    SecretBox(@Value("${denfold.keys}") Path folder) throws IOException {
        byte[] key = HexFormat.of().parseHex(PrivateFolder.key(folder, "secrets.key"));
        this.box = new AesBytesEncryptor(
                new SecretKeySpec(key, "AES"), KeyGenerators.secureRandom(NONCE), CipherAlgorithm.GCM);
    }

    byte[] seal(byte[] secret) {
        return box.encrypt(secret);
    }

    byte[] open(byte[] sealed) {
        return box.decrypt(sealed);
    }
}
