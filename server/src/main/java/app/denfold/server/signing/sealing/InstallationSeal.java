package app.denfold.server.signing.sealing;

import app.denfold.paper.sealing.SealKey;
import app.denfold.paper.sealing.Signer;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The seal of this installation; its keys are made on first use. */
@Component
public class InstallationSeal {

    private final SealVaults vaults;
    private final PaperWorkers workers;
    private final TimeStamps stamps;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    private record Opened(SealKey key, LocalDate day, Instant writtenAt) {}

    private @Nullable Opened opened;

    InstallationSeal(
            SealVaults vaults,
            PaperWorkers quickWorkers,
            TimeStamps stamps,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.workers = quickWorkers;
        this.vaults = vaults;
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
                try {
                    return key.sign(bytes);
                } catch (IOException renewedElsewhere) {
                    forget(key);
                    throw renewedElsewhere;
                }
            }

            @Override
            public byte[] stamp(byte[] request) throws IOException {
                return stamps.stamp(request, key);
            }
        };
    }

    /** Whether a certificate that stands in a seal is this practice's. @param certificate in DER */
    public boolean isOurs(byte[] certificate) throws IOException {
        return vaults.isUsed() && key().knows(certificate) || vaults.isFormer(certificate);
    }

    /** So that the next copy is sealed with what is in the vault by then. */
    private synchronized void forget(SealKey key) {
        if (opened != null && opened.key() == key) {
            opened = null;
        }
    }

    /** Opened once a day, as it is renewed before it ends, and when the file is another one. */
    private synchronized SealKey key() throws IOException {
        Opened known = opened;
        if (known != null
                && known.day().equals(calendar.today())
                && known.writtenAt().equals(vaults.writtenAt())) {
            return known.key();
        }
        SealKey key = SealKey.openOrMake(vaults.vault(), settings.name(), calendar.now());
        opened = new Opened(key, calendar.today(), vaults.writtenAt());
        return key;
    }
}
