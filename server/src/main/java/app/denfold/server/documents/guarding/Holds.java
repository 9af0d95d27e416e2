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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps a paper from changes by others while one person works on it. A hold ends when it is released, when nothing was
 * heard of its holder for half an hour, or when an administrator lifts it.
 */
@Service
public class Holds {

    static final Duration IDLE = Duration.ofMinutes(30);

    private final DocumentHoldRepository held;
    private final PracticeCalendar calendar;

    Holds(DocumentHoldRepository held, PracticeCalendar calendar) {
        this.held = held;
        this.calendar = calendar;
    }

    public record Hold(UUID accountId, String byName, Instant since) {}

    /** Who holds it now. */
    @Transactional(readOnly = true)
    public Optional<Hold> of(UUID documentId) {
        return held.findByDocumentIdAndLastAtAfter(documentId, idle()).map(Holds::hold);
    }

    /** Who works on documents of the files now. */
    @Transactional(readOnly = true)
    public List<Hold> inFiles(List<UUID> fileIds) {
        return held.findInFiles(fileIds, idle()).stream().map(Holds::hold).toList();
    }

    private Instant idle() {
        return calendar.now().minus(IDLE);
    }

    private static Hold hold(DocumentHold held) {
        return new Hold(held.accountId(), held.byName(), held.since());
    }

    /** Takes it, or goes on holding it. @throws Refusal when somebody else holds it */
    @Transactional
    public void take(Viewer viewer, UUID documentId) {
        int taken = held.hold(documentId, viewer.accountId(), viewer.name(), calendar.now(), idle());
        if (taken == 0) {
            refuse(of(documentId).orElseThrow(() -> Refusal.notFound("hold")));
        }
    }

    /** Ends the viewer's own hold; nothing happens when he has none. */
    @Transactional
    public void release(Viewer viewer, UUID documentId) {
        held.deleteOwn(documentId, viewer.accountId());
    }

    /** Ends whoever's hold. @return who held it */
    @Transactional
    public Optional<Hold> lift(UUID documentId) {
        Optional<Hold> lifted = of(documentId);
        held.deleteAny(documentId);
        return lifted;
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
