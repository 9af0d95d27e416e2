package app.denfold.server.chasing.history;

import app.denfold.core.notices.NoticeHistory;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.addresses.SilentAddresses;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads what was told before, and what people decided, for working out what comes. */
@Component
public class KnownHistory {

    /** A statement has room for so many. */
    private static final int FILES_AT_ONCE = 1_000;

    private final ToldRepository told;
    private final ChangedTurnRepository changes;
    private final StopChasing stops;
    private final SilentAddresses silent;
    private final Outbox outbox;

    KnownHistory(
            ToldRepository told,
            ChangedTurnRepository changes,
            StopChasing stops,
            SilentAddresses silent,
            Outbox outbox) {
        this.told = told;
        this.changes = changes;
        this.stops = stops;
        this.silent = silent;
        this.outbox = outbox;
    }

    /** @param files those that matter @param day from the first of whose month on mails are counted */
    @Transactional(readOnly = true)
    public NoticeHistory of(Collection<UUID> files, LocalDate day) {
        NoticeHistory history = new NoticeHistory();
        List<UUID> all = List.copyOf(files);
        for (int i = 0; i < all.size(); i += FILES_AT_ONCE) {
            add(history, all.subList(i, Math.min(all.size(), i + FILES_AT_ONCE)));
        }
        silent.cameBack().forEach(history::unreachable);
        silent.unsubscribed().forEach(history::unsubscribed);
        outbox.chasedSince(day.withDayOfMonth(1)).forEach(m -> history.mailed(m.mailbox(), m.on()));
        return history;
    }

    private void add(NoticeHistory history, List<UUID> files) {
        told.findOfPlans(files).forEach(t -> t.key().map(TurnKey::turn).ifPresent(history::told));
        changes.findOfFiles(files).forEach(c -> {
            if (c.movedTo() == null) {
                history.held(c.turn().turn());
            } else {
                history.moved(c.turn().turn(), c.movedTo());
            }
        });
        stops.ofFiles(files).forEach(s -> history.stopped(s.fileId().toString(), s.untilDay()));
    }
}
