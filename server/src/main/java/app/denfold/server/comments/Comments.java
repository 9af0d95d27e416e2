package app.denfold.server.comments;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.PaperColleagues;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import com.github.f4b6a3.uuid.UuidCreator;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Comments on papers. Who is mentioned gets a mail, and finds the paper in Today until he has looked. */
@Service
public class Comments {

    private static final int LONGEST = 2_000;

    private final JdbcTemplate sql;
    private final Documents documents;
    private final PaperColleagues colleagues;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final String address;

    Comments(
            JdbcTemplate sql,
            Documents documents,
            PaperColleagues colleagues,
            Outbox outbox,
            AuditTrail trail,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.sql = sql;
        this.documents = documents;
        this.colleagues = colleagues;
        this.outbox = outbox;
        this.trail = trail;
        this.calendar = calendar;
        this.address = address;
    }

    /** @param mayRemove whether the viewer wrote it or is an administrator */
    public record CommentAnswer(UUID id, String by, Instant at, String words, boolean mayRemove) {}

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<CommentAnswer> of(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        return sql.query(
                "select id, by_id, by_name, at, words from comment where document_id = ? order by at, id",
                (row, i) -> new CommentAnswer(
                        row.getObject("id", UUID.class),
                        row.getString("by_name"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("words"),
                        viewer.isAdministrator()
                                || row.getObject("by_id", UUID.class).equals(viewer.accountId())),
                documentId);
    }

    /**
     * Says something about a paper.
     *
     * @param mentioned colleagues who are to look at it
     * @throws Refusal when nothing is said, too much, or a mentioned colleague may not see the paper
     */
    @Transactional
    public void say(Viewer viewer, UUID documentId, String words, Set<UUID> mentioned) {
        viewer.requireChange();
        FiledDocument document = documents.visible(viewer, documentId);
        String said = words == null ? "" : words.strip();
        if (said.isEmpty() || said.length() > LONGEST) {
            throw Refusal.invalid("words", "A comment has from 1 to " + LONGEST + " letters.");
        }
        List<Viewer> named = mentioned.stream()
                .map(account -> colleagues.require("mentioned", account, document))
                .toList();
        UUID id = UuidCreator.getTimeOrderedEpoch();
        sql.update(
                "insert into comment (id, document_id, by_id, by_name, at, words) values (?, ?, ?, ?, ?, ?)",
                id,
                documentId,
                viewer.accountId(),
                viewer.name(),
                Timestamp.from(calendar.now()),
                said);
        trail.record(new AuditEntry(
                viewer.actor(),
                "commented",
                document.fileId(),
                documentId,
                "commented on “" + document.name() + "” (“" + said + "”)"));
        for (Viewer colleague : named) {
            if (!colleague.accountId().equals(viewer.accountId())) {
                sql.update(
                        "insert into comment_mention (comment_id, account_id) values (?, ?)",
                        id,
                        colleague.accountId());
                outbox.queue(viewer, mail(viewer, colleague, document, said));
            }
        }
    }

    private Message mail(Viewer by, Viewer to, FiledDocument document, String said) {
        String body = "Dear " + to.name() + ",\n\n" + by.name() + " mentions you in a comment on the paper "
                + document.name() + ":\n\n  " + said.replace("\n", "\n  ") + "\n\nIt waits in Today, and here:\n\n  "
                + address + "/files/" + document.fileId() + "?view=read&paper=" + document.id() + "\n";
        return Message.aboutPaper(
                document.fileId(),
                document.id(),
                document.types(),
                "comment",
                to.email(),
                by.name() + " mentions you",
                body);
    }

    /** @throws Refusal when the viewer neither wrote it nor is an administrator */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        List<UUID[]> found = sql.query(
                "select document_id, by_id from comment where id = ?",
                (row, i) -> new UUID[] {row.getObject(1, UUID.class), row.getObject(2, UUID.class)},
                id);
        if (found.isEmpty()) {
            throw Refusal.notFound("comment");
        }
        FiledDocument document = documents.visible(viewer, found.get(0)[0]);
        viewer.requireChange();
        if (!viewer.isAdministrator() && !found.get(0)[1].equals(viewer.accountId())) {
            throw Refusal.forbidden("Only who wrote a comment, or an administrator, removes it.");
        }
        sql.update("delete from comment where id = ?", id);
        trail.record(new AuditEntry(
                viewer.actor(),
                "comment-removed",
                document.fileId(),
                document.id(),
                "removed a comment on “" + document.name() + "”"));
    }

    /** A paper in whose comments the viewer is mentioned and at which he did not look since. */
    public record Mention(UUID documentId, UUID fileId, String paper, String by, String words, Instant at) {}

    /** The oldest first; papers the viewer may no longer see are left out. */
    @Transactional(readOnly = true)
    public List<Mention> unseen(Viewer viewer) {
        record Row(UUID document, String by, String words, Instant at) {}
        List<Row> rows = sql.query(
                """
                select distinct on (c.document_id) c.document_id, c.by_name, c.words, c.at
                from comment_mention m join comment c on c.id = m.comment_id
                where m.account_id = ? and m.seen_at is null order by c.document_id, c.at desc
                """,
                (row, i) -> new Row(
                        row.getObject("document_id", UUID.class),
                        row.getString("by_name"),
                        row.getString("words"),
                        row.getTimestamp("at").toInstant()),
                viewer.accountId());
        List<FiledDocument> visible =
                documents.visible(viewer, rows.stream().map(Row::document).toList());
        return rows.stream()
                .sorted((a, b) -> a.at.compareTo(b.at))
                .flatMap(r -> visible.stream()
                        .filter(d -> d.id().equals(r.document))
                        .map(d -> new Mention(d.id(), d.fileId(), d.name(), r.by, r.words, r.at)))
                .toList();
    }

    /** The viewer has read what is said about the paper. */
    @Transactional
    public void seen(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        sql.update(
                "update comment_mention m set seen_at = ? from comment c where c.id = m.comment_id"
                        + " and c.document_id = ? and m.account_id = ? and m.seen_at is null",
                Timestamp.from(calendar.now()),
                documentId,
                viewer.accountId());
    }
}
