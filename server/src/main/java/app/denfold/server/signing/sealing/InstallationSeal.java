package app.denfold.server.signing.sealing;

import app.denfold.paper.sealing.SealKey;
import app.denfold.paper.sealing.Signer;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.PrivateFolder;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.SecureRandom;
import java.security.cert.Certificate;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Base64;
import java.util.Collections;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The seal of this installation; its keys are made on first use and stay in the keys folder, readable by their owner only. */
@Component
public class InstallationSeal {

    private static final String KEY_FILE = "practice.p12";

    /** Of installations from before the practice had a root; what it sealed is still known. */
    private static final String FORMER_KEY_FILE = "seal.p12";

    private final Path folder;
    private final PaperWorkers workers;
    private final TimeStamps stamps;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    private record Opened(SealKey key, LocalDate day, FileTime writtenAt) {}

    private @Nullable Opened opened;

    InstallationSeal(
            @Value("${denfold.keys}") Path folder,
            PaperWorkers quickWorkers,
            TimeStamps stamps,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.workers = quickWorkers;
        this.folder = folder.toAbsolutePath();
        this.stamps = stamps;
        this.settings = settings;
        this.calendar = calendar;
    }

    /**
     * Makes the copy in a worker, which sees nothing of the key.
     *
     * @return how many pages it has
     * @throws IOException when none can be made, or the time-stamp service cannot be reached
     */
    int put(PaperWorkers.SealedCopy copy, Path to) throws IOException {
        SealKey key = key();
        return workers.seal(copy, key.trust(stamps.authorities(), calendar.now()), signer(key), to);
    }

    /**
     * Seals a sealed copy for longer, in a worker as well.
     *
     * @return how many pages it has
     * @throws IOException as above
     */
    int renew(Path copy, Path to) throws IOException {
        SealKey key = key();
        return workers.renewSeal(
                copy, key.trust(stamps.authorities(), calendar.now()), signer(key), calendar.now(), to);
    }

    private Signer signer(SealKey key) {
        return new Signer() {
            @Override
            public byte[] sign(byte[] bytes) throws IOException {
                return key.sign(bytes);
            }

            @Override
            public byte[] stamp(byte[] request) throws IOException {
                return stamps.stamp(request, key);
            }
        };
    }

    /** Whether a certificate that stands in a seal is this practice's. @param certificate in DER */
    public boolean isOurs(byte[] certificate) throws IOException {
        return Files.exists(folder.resolve(KEY_FILE)) && key().knows(certificate) || isFormer(certificate);
    }

    private boolean isFormer(byte[] certificate) throws IOException {
        Path former = folder.resolve(FORMER_KEY_FILE);
        if (!Files.exists(former)) {
            return false;
        }
        try (var in = new ByteArrayInputStream(Files.readAllBytes(former))) {
            KeyStore store = KeyStore.getInstance("PKCS12");
            store.load(in, password());
            for (String alias : Collections.list(store.aliases())) {
                Certificate known = store.getCertificate(alias);
                if (known != null && Arrays.equals(known.getEncoded(), certificate)) {
                    return true;
                }
            }
            return false;
        } catch (GeneralSecurityException unreadable) {
            throw new IOException("The former key for sealing cannot be read", unreadable);
        }
    }

    /** Opened once a day, as it is renewed before it ends, and when the file is another one. */
    private synchronized SealKey key() throws IOException {
        Path file = folder.resolve(KEY_FILE);
        Opened known = opened;
        if (known != null
                && Files.exists(file)
                && known.day().equals(calendar.today())
                && known.writtenAt().equals(Files.getLastModifiedTime(file))) {
            return known.key();
        }
        SealKey key = SealKey.openOrMake(file, password(), settings.name(), calendar.now());
        opened = new Opened(key, calendar.today(), Files.getLastModifiedTime(file));
        return key;
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
