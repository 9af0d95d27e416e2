package app.denfold.server.comments;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.DocumentEvents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.PaperColleagues;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Comments on papers. Who is mentioned gets a mail, and finds the paper in Today until he has looked. */
@Service
public class Comments {

    private static final int LONGEST = 2_000;

    private final CommentRepository comments;
    private final Documents documents;
    private final PaperColleagues colleagues;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final String address;

    Comments(
            CommentRepository comments,
            Documents documents,
            PaperColleagues colleagues,
            Outbox outbox,
            AuditTrail trail,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.comments = comments;
        this.documents = documents;
        this.colleagues = colleagues;
        this.outbox = outbox;
        this.trail = trail;
        this.calendar = calendar;
        this.address = address;
    }

    /** @throws Refusal when something would go with it */
    @EventListener
    void on(DocumentEvents.FilingTakenBack event) {
        if (!comments.findByDocumentIdOrderByAtAscId(event.documentId()).isEmpty()) {
            throw DocumentEvents.builtOn("commented on");
        }
    }

    /** @param mayRemove whether the viewer wrote it or is an administrator */
    public record CommentAnswer(UUID id, String by, Instant at, String words, boolean mayRemove) {}

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<CommentAnswer> of(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        return comments.findByDocumentIdOrderByAtAscId(documentId).stream()
                .map(c -> new CommentAnswer(c.id(), c.byName(), c.at(), c.words(), mayRemove(viewer, c)))
                .toList();
    }

    private static boolean mayRemove(Viewer viewer, Comment comment) {
        return viewer.isAdministrator() || comment.byId().equals(viewer.accountId());
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
        Comment comment = new Comment(documentId, viewer.accountId(), viewer.name(), calendar.now(), said);
        trail.record(new AuditEntry(
                viewer.actor(),
                "commented",
                document.fileId(),
                documentId,
                "commented on “" + document.name() + "” (“" + said + "”)"));
        for (Viewer colleague : named) {
            if (!colleague.accountId().equals(viewer.accountId())) {
                comment.mention(colleague.accountId());
                outbox.queue(viewer, mail(viewer, colleague, document, said));
            }
        }
        comments.save(comment);
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
        Comment comment = comments.findById(id).orElseThrow(() -> Refusal.notFound("comment"));
        FiledDocument document = documents.visible(viewer, comment.documentId());
        viewer.requireChange();
        if (!mayRemove(viewer, comment)) {
            throw Refusal.forbidden("Only who wrote a comment, or an administrator, removes it.");
        }
        comments.delete(comment);
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
        Map<UUID, Comment> newest = new LinkedHashMap<>();
        comments.findUnseen(viewer.accountId()).forEach(c -> newest.put(c.documentId(), c));
        Map<UUID, FiledDocument> visible = documents.visible(viewer, newest.keySet()).stream()
                .collect(Collectors.toMap(FiledDocument::id, d -> d));
        return newest.values().stream()
                .sorted(Comparator.comparing(Comment::at))
                .flatMap(c -> Optional.ofNullable(visible.get(c.documentId())).map(d -> mention(c, d)).stream())
                .toList();
    }

    private static Mention mention(Comment comment, FiledDocument on) {
        return new Mention(on.id(), on.fileId(), on.name(), comment.byName(), comment.words(), comment.at());
    }

    /** The viewer has read what is said about the paper. */
    @Transactional
    public void seen(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        comments.findUnseenOn(documentId, viewer.accountId())
                .forEach(c -> c.seenBy(viewer.accountId(), calendar.now()));
    }
}
