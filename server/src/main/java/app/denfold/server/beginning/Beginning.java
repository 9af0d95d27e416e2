package app.denfold.server.beginning;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.PrivateFolder;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Founds the practice. While there is none, whoever has the key that lies among the installation's keys may do it, once:
 * that is somebody who can look into the server.
 */
@Service
class Beginning {

    private static final Logger LOG = LoggerFactory.getLogger(Beginning.class);
    private static final String KEY = "beginning.key";
    private static final String COLOUR = "#3b4f63";

    private final PracticeSettings settings;
    private final Accounts accounts;
    private final AuditTrail trail;
    private final TransactionTemplate transactions;
    private final Path keys;
    private final String address;

    Beginning(
            PracticeSettings settings,
            Accounts accounts,
            AuditTrail trail,
            TransactionTemplate transactions,
            @Value("${denfold.keys}") Path keys,
            @Value("${denfold.address}") String address) {
        this.settings = settings;
        this.accounts = accounts;
        this.trail = trail;
        this.transactions = transactions;
        this.keys = keys;
        this.address = address;
    }

    /** Whether there is no practice yet. */
    boolean isOpen() {
        return !settings.isFounded();
    }

    /** Says where to begin, on a server that has no practice. */
    @EventListener(ApplicationReadyEvent.class)
    void tell() throws IOException {
        if (isOpen()) {
            PrivateFolder.key(keys, KEY);
            LOG.info(
                    "There is no practice yet. To begin, open {}/begin/ with what stands in {}",
                    address,
                    keys.resolve(KEY));
        }
    }

    /** @param email of the first administrator @param password which he chooses */
    record Founding(String practice, ZoneId zone, String name, String email, String password) {}

    /**
     * Founds the practice and opens the account of its first administrator.
     *
     * @throws Refusal when there is a practice, the key is wrong, or the password is not accepted
     */
    synchronized void found(String key, Founding founding) throws IOException {
        if (!isOpen()) {
            throw Refusal.gone("begun-already", "This Den Fold has its practice already. Sign in instead.");
        }
        if (!Secrets.same(PrivateFolder.key(keys, KEY), key)) {
            throw Refusal.invalid("key", "This is not the key of this installation. It stands where it was started.");
        }
        transactions.executeWithoutResult(t -> {
            settings.found(founding.practice.strip(), founding.zone, COLOUR);
            Viewer administrator = accounts.open(NewAccount.administrator(founding.email, founding.name.strip())
                    .titled("administrator"));
            accounts.setPasswordByLink(accounts.issueLink(administrator.accountId()), founding.password);
            trail.record(AuditEntry.general(
                    administrator.actor(), "practice-founded", "founded the practice " + founding.practice.strip()));
        });
        Files.deleteIfExists(keys.resolve(KEY));
    }
}
