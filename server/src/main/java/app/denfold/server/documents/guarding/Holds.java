package app.denfold.server.documents.guarding;

import app.denfold.server.access.Viewer;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps a paper from changes by others while one person works on it. A hold ends when it is released, when nothing was
 * heard of its holder for half an hour, or when an administrator lifts it.
 */
@Service
public class Holds {

    static final Duration IDLE = Duration.ofMinutes(30);

    private final JdbcTemplate sql;
    private final PracticeCalendar calendar;

    Holds(JdbcTemplate sql, PracticeCalendar calendar) {
        this.sql = sql;
        this.calendar = calendar;
    }

    public record Hold(UUID accountId, String byName, Instant since) {}

    /** Who holds it now. */
    @Transactional(readOnly = true)
    public Optional<Hold> of(UUID documentId) {
        List<Hold> found = sql.query(
                "select account_id, by_name, since from document_hold where document_id = ? and last_at > ?",
                (row, i) -> new Hold(
                        row.getObject("account_id", UUID.class),
                        row.getString("by_name"),
                        row.getTimestamp("since").toInstant()),
                documentId,
                java.sql.Timestamp.from(calendar.now().minus(IDLE)));
        return found.stream().findFirst();
    }

    /** Takes it, or goes on holding it. @throws Refusal when somebody else holds it */
    @Transactional
    public void take(Viewer viewer, UUID documentId) {
        java.sql.Timestamp now = java.sql.Timestamp.from(calendar.now());
        java.sql.Timestamp idle = java.sql.Timestamp.from(calendar.now().minus(IDLE));
        int taken = sql.update(
                "insert into document_hold as h (document_id, account_id, by_name, since, last_at) values (?, ?, ?, ?, ?)"
                        + " on conflict (document_id) do update set account_id = excluded.account_id,"
                        + " by_name = excluded.by_name, last_at = excluded.last_at,"
                        + " since = case when h.account_id = excluded.account_id and h.last_at > ? then h.since"
                        + " else excluded.since end"
                        + " where h.account_id = excluded.account_id or h.last_at <= ?",
                documentId,
                viewer.accountId(),
                viewer.name(),
                now,
                now,
                idle,
                idle);
        if (taken == 0) {
            refuse(of(documentId).orElseThrow(() -> Refusal.notFound("hold")));
        }
    }

    /** Ends the viewer's own hold; nothing happens when he has none. */
    @Transactional
    public void release(Viewer viewer, UUID documentId) {
        sql.update(
                "delete from document_hold where document_id = ? and account_id = ?", documentId, viewer.accountId());
    }

    /** Ends whoever's hold. @return who held it */
    @Transactional
    public Optional<Hold> lift(UUID documentId) {
        Optional<Hold> held = of(documentId);
        sql.update("delete from document_hold where document_id = ?", documentId);
        return held;
    }

    /** @throws Refusal when somebody else holds it */
    public void requireFree(Viewer viewer, UUID documentId) {
        of(documentId).filter(h -> !h.accountId().equals(viewer.accountId())).ifPresent(Holds::refuse);
    }

    private static void refuse(Hold hold) {
        throw Refusal.conflict(
                "held",
                hold.byName() + " works on this paper and holds it. Wait until it is released, or ask an administrator"
                        + " to lift the hold.",
                Map.of("heldBy", hold.byName()));
    }
}
