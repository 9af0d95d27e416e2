package app.denfold.server.content;

import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/** Stored bytes that are no longer what was taken in, until the same bytes come in again. */
@Component
public class DamagedContent {

    private static final Logger LOG = LoggerFactory.getLogger(DamagedContent.class);

    private final DamageStore store;
    private final PracticeCalendar calendar;

    /** Whoever comes upon damage is in a transaction that will fail for it, so it is noted beside that. */
    private final ExecutorService notes = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "damage-notes");
        thread.setDaemon(true);
        return thread;
    });

    DamagedContent(DamageStore store, PracticeCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /** @param words what is wrong with it, as a sentence */
    public record Damage(String sha256, Instant foundAt, String words) {}

    /** Soon to be found among the damaged. */
    void report(String sha256, String words) {
        LOG.error("The stored bytes {} are damaged: {}", sha256, words);
        notes.execute(() -> note(sha256, words));
    }

    private void note(String sha256, String words) {
        try {
            store.add(new Damage(sha256, calendar.now(), words));
        } catch (DataAccessException away) {
            LOG.warn("The damage of {} could not be noted; the nightly check finds it again", sha256, away);
        }
    }

    /** The bytes are whole again. Takes part in the running transaction. */
    void mended(String sha256) {
        store.remove(sha256);
    }

    public List<Damage> all() {
        return store.all();
    }

    /** By hash; what is whole is left out. */
    public Map<String, String> of(Collection<String> hashes) {
        Map<String, String> damaged = new HashMap<>();
        if (!hashes.isEmpty()) {
            store.of(hashes).forEach(d -> damaged.put(d.sha256(), d.words()));
        }
        return damaged;
    }

    @PreDestroy
    void close() {
        notes.shutdown();
    }
}
