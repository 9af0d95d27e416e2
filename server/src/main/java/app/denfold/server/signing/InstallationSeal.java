package app.denfold.server.signing;

import app.denfold.paper.Seal;
import app.denfold.paper.SealKey;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The seal of this installation; its key is made on first use and stays in the keys folder, readable by its owner only. */
@Component
class InstallationSeal {

    private final Path folder;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    InstallationSeal(@Value("${denfold.keys}") Path folder, PracticeSettings settings, PracticeCalendar calendar) {
        this.folder = folder.toAbsolutePath();
        this.settings = settings;
        this.calendar = calendar;
    }

    synchronized byte[] put(byte[] pdf, String reason) {
        try {
            SealKey key = SealKey.openOrMake(folder.resolve("seal.p12"), password(), settings.name(), calendar.now());
            return Seal.put(pdf, key, reason, calendar.now());
        } catch (IOException failed) {
            throw new UncheckedIOException("Sealing failed", failed);
        }
    }

    private char[] password() throws IOException {
        Files.createDirectories(folder);
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
