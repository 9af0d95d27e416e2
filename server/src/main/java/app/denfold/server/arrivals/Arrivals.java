package app.denfold.server.arrivals;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.content.Contents;
import app.denfold.server.coverage.FilingEffect;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.Files;
import app.denfold.server.people.PersonFile;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Papers that came in: received, looked at, filed, set aside. */
@Service
public class Arrivals {

    private final ArrivalRepository arrivals;
    private final Contents contents;
    private final Documents documents;
    private final FilingEffect effects;
    private final Files files;
    private final Catalog catalog;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Arrivals(
            ArrivalRepository arrivals,
            Contents contents,
            Documents documents,
            FilingEffect effects,
            Files files,
            Catalog catalog,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.arrivals = arrivals;
        this.contents = contents;
        this.documents = documents;
        this.effects = effects;
        this.files = files;
        this.catalog = catalog;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * Stores a paper and puts it among the waiting ones, or sets it aside. Once this returned and its transaction
     * committed, the paper is safe.
     *
     * @return the arrival's id
     * @throws Refusal when the paper is not taken, with the reason; nothing is stored then
     */
    @Transactional
    public UUID receive(ReceivedPaper paper) {
        if (paper.suggestedType() != null) {
            catalog.type(paper.suggestedType());
        }
        Contents.Taken taken = contents.take(paper.file(), paper.fileName());
        if (taken instanceof Contents.Refused refused) {
            throw Refusal.invalid("file", refused.reason());
        }
        Arrival arrival = arrivals.save(new Arrival(paper, taken, calendar.now()));
        String words = "received “" + paper.fileName() + "” " + arrival.sourceInWords()
                + (arrival.reason() == null ? "" : ", set aside: " + arrival.reason());
        trail.record(AuditEntry.ofFile(paper.by(), "received", paper.fileId(), words));
        return arrival.id();
    }

    /** True when exactly this paper was taken from that pickup already, so that it only needs to leave the folder. */
    boolean isTakenFrom(String pickup, String fileName, String sha256) {
        return arrivals.existsBySourceAndBroughtByAndFileNameAndSha256(Arrival.Source.PICKUP, pickup, fileName, sha256);
    }

    /** What a waiting paper looks like in the list. @param pages 0 when none can be shown */
    public record ArrivalAnswer(
            UUID id,
            int version,
            String source,
            String broughtBy,
            String fileName,
            @Nullable String note,
            Instant receivedAt,
            String state,
            @Nullable String reason,
            int pages,
            long size,
            String mediaType,
            @Nullable UUID fileId,
            @Nullable String fileNumber,
            @Nullable String personName,
            @Nullable String suggestedType) {}

    /** Waiting papers and those set aside that the viewer may see, oldest first. */
    @Transactional(readOnly = true)
    public List<ArrivalAnswer> open(Viewer viewer) {
        List<Arrival> open =
                arrivals.findByStateInOrderByReceivedAt(Set.of(Arrival.State.WAITING, Arrival.State.SET_ASIDE)).stream()
                        .filter(a -> maySee(viewer, a))
                        .toList();
        Map<UUID, PersonFile> people = new HashMap<>();
        files.files(open.stream().map(Arrival::fileId).filter(Objects::nonNull).toList())
                .forEach(f -> people.put(f.id(), f));
        var stored = contents.contents(open.stream().map(Arrival::sha256).toList());
        return open.stream()
                .map(a -> answer(a, stored.get(a.sha256()), people.get(a.fileId())))
                .toList();
    }

    private static ArrivalAnswer answer(Arrival a, app.denfold.server.content.Content content, PersonFile person) {
        return new ArrivalAnswer(
                a.id(),
                a.version(),
                a.source().name(),
                a.broughtBy(),
                a.fileName(),
                a.note(),
                a.receivedAt(),
                a.state().name(),
                a.reason(),
                content.pages(),
                content.size(),
                content.mediaType(),
                a.fileId(),
                person == null ? null : person.number(),
                person == null ? null : person.name(),
                a.suggestedType());
    }

    /** Unfiled papers are for those who see every team; papers of a sensitive type for those who may see such. */
    /** How many papers wait that the viewer may file. */
    @Transactional(readOnly = true)
    public int countWaiting(Viewer viewer) {
        return (int) arrivals.findByStateInOrderByReceivedAt(List.of(Arrival.State.WAITING)).stream()
                .filter(a -> maySee(viewer, a))
                .count();
    }

    private boolean maySee(Viewer viewer, Arrival arrival) {
        boolean typeVisible = viewer.seesSensitive()
                || arrival.suggestedType() == null
                || !catalog.type(arrival.suggestedType()).isSensitive();
        return viewer.team() == null && typeVisible;
    }

    private Arrival visible(Viewer viewer, UUID id) {
        return arrivals.findById(id).filter(a -> maySee(viewer, a)).orElseThrow(() -> Refusal.notFound("paper"));
    }

    /** Hash of the bytes of a paper that is still open. */
    @Transactional(readOnly = true)
    public String contentOf(Viewer viewer, UUID id) {
        Arrival arrival = visible(viewer, id);
        if (arrival.state() == Arrival.State.FILED || arrival.state() == Arrival.State.DISCARDED) {
            throw Refusal.notFound("paper");
        }
        return arrival.sha256();
    }

    @Transactional(readOnly = true)
    public String nameOf(UUID id) {
        return arrivals.findById(id).map(Arrival::fileName).orElseThrow(() -> Refusal.notFound("paper"));
    }

    @Transactional(readOnly = true)
    public FilingEffect.FilingPreview preview(Viewer viewer, UUID id, FilingDetails details) {
        Arrival arrival = visible(viewer, id);
        return effects.of(viewer, details, calendar.dayOf(arrival.receivedAt()));
    }

    /**
     * Files a waiting paper.
     *
     * @param version of the arrival that the viewer looked at
     * @throws Refusal when it is no longer waiting, or the details cannot be
     */
    @Transactional
    public FiledDocument file(Viewer viewer, UUID id, int version, FilingDetails details) {
        Arrival arrival = waiting(viewer, id);
        if (arrival.version() != version) {
            throw Refusal.conflict(
                    "changed-meanwhile", "Somebody else handled this paper meanwhile. Look at it again.");
        }
        FiledDocument document = documents.file(
                viewer,
                details,
                new Documents.Received(
                        arrival.sha256(), calendar.dayOf(arrival.receivedAt()), arrival.sourceInWords()));
        arrival.file(document.id());
        return document;
    }

    private Arrival waiting(Viewer viewer, UUID id) {
        viewer.requireChange();
        Arrival arrival = visible(viewer, id);
        if (arrival.state() != Arrival.State.WAITING) {
            throw Refusal.conflict(
                    "not-waiting",
                    arrival.state() == Arrival.State.FILED
                            ? "This paper was filed meanwhile."
                            : "This paper is not waiting: " + arrival.reason());
        }
        return arrival;
    }

    /** Takes back a filing on which nothing was built yet; the paper waits again. */
    @Transactional
    public void undoFiling(Viewer viewer, UUID id) {
        viewer.requireChange();
        Arrival arrival = visible(viewer, id);
        if (arrival.documentId() == null) {
            throw Refusal.conflict("not-filed", "This paper is not filed.");
        }
        UUID document = arrival.documentId();
        arrival.takeBack();
        arrivals.save(arrival);
        documents.takeBack(viewer, document);
    }

    @Transactional
    public void setAside(Viewer viewer, UUID id, String reason) {
        Arrival arrival = waiting(viewer, id);
        requireReason(reason);
        arrival.setAside(reason.strip());
        note(viewer, "set-aside", arrival, "set “" + arrival.fileName() + "” aside: " + reason.strip());
    }

    /** Puts a paper that was set aside by hand back among the waiting ones. */
    @Transactional
    public void takeUpAgain(Viewer viewer, UUID id) {
        Arrival arrival = aside(viewer, id);
        if (contents.content(arrival.sha256()).pages() == 0) {
            throw Refusal.conflict("unreadable", "No page of this paper can be shown. " + arrival.reason());
        }
        arrival.takeUpAgain();
        note(viewer, "taken-up", arrival, "took up “" + arrival.fileName() + "” again");
    }

    /** Removes a paper that was set aside from the list; its bytes and its trail stay. */
    @Transactional
    public void discard(Viewer viewer, UUID id, String reason) {
        Arrival arrival = aside(viewer, id);
        requireReason(reason);
        arrival.discard(reason.strip());
        note(viewer, "discarded", arrival, "discarded “" + arrival.fileName() + "”: " + reason.strip());
    }

    private Arrival aside(Viewer viewer, UUID id) {
        viewer.requireChange();
        Arrival arrival = visible(viewer, id);
        if (arrival.state() != Arrival.State.SET_ASIDE) {
            throw Refusal.conflict("not-set-aside", "This paper is not set aside.");
        }
        return arrival;
    }

    private void note(Viewer viewer, String action, Arrival arrival, String sentence) {
        trail.record(AuditEntry.ofFile(viewer.actor(), action, arrival.fileId(), sentence));
    }

    private static void requireReason(String reason) {
        if (reason == null || reason.isBlank()) {
            throw Refusal.invalid("reason", "A reason is needed; the next person will read it.");
        }
    }

    /** What a guest sent. @param state {@code received}, {@code filed} or {@code set aside} */
    public record Sent(UUID id, String fileName, Instant receivedAt, String state, UUID fileId, String suggestedType) {}

    @Transactional(readOnly = true)
    public List<Sent> sentBy(UUID accountId) {
        return arrivals.findByAccountIdAndSourceOrderByReceivedAtDesc(accountId, Arrival.Source.PORTAL).stream()
                .filter(a -> a.state() != Arrival.State.DISCARDED)
                .map(a -> new Sent(a.id(), a.fileName(), a.receivedAt(), sentState(a), a.fileId(), a.suggestedType()))
                .toList();
    }

    private static String sentState(Arrival arrival) {
        return switch (arrival.state()) {
            case FILED -> "filed";
            case SET_ASIDE -> "set aside";
            default -> "received";
        };
    }

    /** A guest takes back what he sent and nobody has filed yet. */
    @Transactional
    public void takeBack(Viewer guest, UUID id) {
        Arrival arrival = arrivals.findById(id)
                .filter(a -> guest.accountId().equals(a.accountId()) && a.source() == Arrival.Source.PORTAL)
                .orElseThrow(() -> Refusal.notFound("paper"));
        if (arrival.state() == Arrival.State.FILED) {
            throw Refusal.conflict("filed", "This paper is filed already. Ask the practice if it is the wrong one.");
        }
        arrival.discard("taken back by the sender");
        note(guest, "taken-back", arrival, "took back “" + arrival.fileName() + "”");
    }
}
