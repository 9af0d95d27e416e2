package app.denfold.server.signing;

import app.denfold.paper.sealing.SealKey;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.PrivateFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The seal of this installation; its key is made on first use and stays in the keys folder, readable by its owner only. */
@Component
class InstallationSeal {

    private static final String KEY_FILE = "seal.p12";

    private final Path folder;
    private final PaperWorkers workers;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    InstallationSeal(
            @Value("${denfold.keys}") Path folder,
            PaperWorkers quickWorkers,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.workers = quickWorkers;
        this.folder = folder.toAbsolutePath();
        this.settings = settings;
        this.calendar = calendar;
    }

    /** Makes the copy in a worker, which sees nothing of the key. */
    void put(PaperWorkers.SealedCopy copy, Path to) throws IOException {
        SealKey key = key();
        workers.seal(copy, key.certificates(), key, to);
    }

    /** By which copies sealed here are known, in DER; none before the first was sealed. */
    List<byte[]> certificates() throws IOException {
        return Files.exists(folder.resolve(KEY_FILE)) ? key().certificates() : List.of();
    }

    private synchronized SealKey key() throws IOException {
        return SealKey.openOrMake(folder.resolve(KEY_FILE), password(), settings.name(), calendar.now());
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
