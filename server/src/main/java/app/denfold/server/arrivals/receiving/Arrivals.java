package app.denfold.server.arrivals.receiving;

import app.denfold.paper.Format;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.links.Link;
import app.denfold.server.coverage.effects.FilingEffect;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Papers that came in: received, looked at, set aside, taken up again. */
@Service
public class Arrivals {

    private final ArrivalRepository arrivals;
    private final WaitingArrivals waiting;
    private final ReceiveReading reading;
    private final Contents contents;
    private final Readings readings;
    private final FilingEffect effects;
    private final Catalog catalog;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    Arrivals(
            ArrivalRepository arrivals,
            WaitingArrivals waiting,
            ReceiveReading reading,
            Contents contents,
            Readings readings,
            FilingEffect effects,
            Catalog catalog,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.arrivals = arrivals;
        this.waiting = waiting;
        this.reading = reading;
        this.contents = contents;
        this.readings = readings;
        this.effects = effects;
        this.catalog = catalog;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * Stores a paper and puts it among the waiting ones, or sets it aside. Once this returned and its transaction
     * committed, the paper is safe; it is read soon after.
     *
     * @return the arrival's id
     * @throws Refusal when the paper is not taken, with the reason; nothing is stored then
     */
    public UUID receive(ReceivedPaper paper) {
        return receive(paper, id -> {});
    }

    /** The same for one whose origin is known: of two who bring it at once, both are told of the first one's arrival. */
    public UUID receiveOnce(ReceivedPaper paper) {
        try {
            return receive(paper);
        } catch (DataIntegrityViolationException twice) {
            return ofOrigin(paper.origin()).orElseThrow(() -> twice);
        }
    }

    /** @param also done in the transaction in which the paper is received, such as noting where it was taken from */
    public UUID receive(ReceivedPaper paper, Consumer<UUID> also) {
        if (paper.suggestedType() != null) {
            catalog.type(paper.suggestedType());
        }
        Contents.Prepared prepared = contents.prepare(paper.file(), paper.fileName());
        prepared.refused().ifPresent(reason -> {
            throw Refusal.invalid("file", reason);
        });
        return transactions.execute(t -> {
            UUID id = receive(paper, contents.register(prepared));
            also.accept(id);
            return id;
        });
    }

    /** Puts a link among the waiting papers; the link is the document. @return the arrival's id */
    public UUID receiveLink(
            Viewer viewer, Link link, @Nullable UUID fileId, @Nullable String type, @Nullable String note) {
        if (type != null) {
            catalog.type(type);
        }
        Contents.Prepared kept = contents.made(link.written(), Format.LINK, 0);
        ReceivedPaper paper =
                new ReceivedPaper(null, link.label(), Arrival.Source.LINK, viewer.actor(), fileId, type, note);
        return transactions.execute(t -> receive(paper, contents.register(kept)));
    }

    private UUID receive(ReceivedPaper paper, Contents.Taken taken) {
        Arrival arrival = arrivals.save(new Arrival(paper, taken, calendar.now()));
        Content content = contents.content(arrival.sha256());
        String words = "received “" + paper.fileName() + "” " + arrival.sourceInWords() + ", " + content.size()
                + " bytes, SHA-256 " + content.sha256()
                + (arrival.reason() == null ? "" : ", set aside: " + arrival.reason());
        trail.record(
                AuditEntry.ofFile(paper.by(), "received", paper.fileId(), words).aboutWaiting(arrival.seemingTypes()));
        if (arrival.state() == Arrival.State.WAITING && readings.ask(arrival.sha256())) {
            reading.take(arrival);
        }
        return arrival.id();
    }

    /** @param fileId the file it is for; null when unknown @throws Refusal when the viewer may not bring papers there */
    @Transactional(readOnly = true)
    public void requireMayBring(Viewer viewer, @Nullable UUID fileId) {
        viewer.requireChange();
        if (!viewer.seesEverybody() && fileId == null) {
            throw Refusal.forbidden("Your account may only add papers to a file.");
        }
        if (fileId != null) {
            files.visible(viewer, fileId);
        }
    }

    /** The arrival of this origin, when it was taken already. */
    @Transactional(readOnly = true)
    public Optional<UUID> ofOrigin(@Nullable String origin) {
        return arrivals.findByOrigin(origin).map(Arrival::id);
    }

    /** True when the paper of this origin was taken already. */
    public boolean isTaken(String origin) {
        return arrivals.existsByOrigin(origin);
    }

    /** How many papers wait that the viewer may file. */
    @Transactional(readOnly = true)
    public int countWaiting(Viewer viewer) {
        return waiting.count(viewer);
    }

    private Arrival open(Viewer viewer, UUID id) {
        Arrival arrival = waiting.visible(viewer, id);
        if (arrival.state() != Arrival.State.WAITING && arrival.state() != Arrival.State.SET_ASIDE) {
            throw Refusal.notFound("paper");
        }
        return arrival;
    }

    /** Hash of the bytes of a paper that is still open, as it came in. */
    @Transactional(readOnly = true)
    public String contentOf(Viewer viewer, UUID id) {
        return open(viewer, id).sha256();
    }

    /** @throws Refusal when the paper is no link */
    @Transactional(readOnly = true)
    public Link linkOf(Viewer viewer, UUID id) {
        return contents.link(open(viewer, id).sha256()).orElseThrow(() -> Refusal.notFound("link"));
    }

    /**
     * A page of a paper that is still open.
     *
     * @param position from 1, among its pages as they now stand
     * @throws Refusal when it has no such page
     */
    @Transactional(readOnly = true)
    public PageRef pageOf(Viewer viewer, UUID id, int position) {
        Arrival arrival = open(viewer, id);
        List<PageRef> pages = arrival.pages(contents.content(arrival.sha256()).pages());
        if (position < 1 || position > pages.size()) {
            throw Refusal.notFound("page");
        }
        return pages.get(position - 1);
    }

    @Transactional(readOnly = true)
    public String nameOf(UUID id) {
        return arrivals.findById(id).map(Arrival::fileName).orElseThrow(() -> Refusal.notFound("paper"));
    }

    @Transactional(readOnly = true)
    public FilingEffect.FilingPreview preview(Viewer viewer, UUID id, FilingDetails details) {
        Arrival arrival = waiting.visible(viewer, id);
        return effects.of(viewer, details, calendar.dayOf(arrival.receivedAt()));
    }

    @Transactional
    public void setAside(Viewer viewer, UUID id, String reason) {
        Arrival arrival = waiting.of(viewer, id);
        requireReason(reason);
        arrival.setAside(reason.strip());
        note(viewer, "set-aside", arrival, "set “" + arrival.fileName() + "” aside: " + reason.strip());
    }

    /**
     * Puts a paper that was set aside back among the waiting ones. One that could not be shown or read to its end is tried
     * again.
     *
     * @throws Refusal when it still cannot be shown
     */
    public void takeUpAgain(Viewer viewer, UUID id) {
        Arrival before = transactions.execute(t -> aside(viewer, id));
        Content known = contents.content(before.sha256());
        Contents.Prepared again = known.pages() == 0 ? contents.prepareAgain(before.sha256(), before.fileName()) : null;
        transactions.executeWithoutResult(t -> {
            Arrival arrival = aside(viewer, id);
            if (again != null) {
                requireShown(contents.register(again));
            }
            arrival.takeUpAgain();
            note(viewer, "taken-up", arrival, "took up “" + arrival.fileName() + "” again");
            if (readings.ask(arrival.sha256())) {
                reading.take(arrival);
            }
        });
    }

    private static void requireShown(Contents.Taken again) {
        if (again instanceof Contents.SetAside still) {
            throw Refusal.conflict("unreadable", "No page of this paper can be shown. " + still.reason());
        }
        if (again instanceof Contents.Refused refused) {
            throw Refusal.conflict("unreadable", refused.reason());
        }
    }

    /**
     * Goes on with an open copy of a locked paper; the locked one is kept as it came. The password is kept nowhere.
     *
     * @throws Refusal when the password is not the right one
     */
    public void unlock(Viewer viewer, UUID id, String password) {
        String locked = transactions.execute(t -> aside(viewer, id).sha256());
        Contents.Prepared open = contents.unlock(locked, password == null ? "" : password)
                .orElseThrow(() -> Refusal.invalid("password", "This is not the password of the paper."));
        transactions.executeWithoutResult(t -> unlocked(viewer, aside(viewer, id), open));
    }

    private void unlocked(Viewer viewer, Arrival arrival, Contents.Prepared open) {
        if (!(contents.register(open) instanceof Contents.Whole)) {
            throw Refusal.conflict("unreadable", "The paper was unlocked, and still no page of it can be shown.");
        }
        arrival.continueWith(open.sha256());
        note(
                viewer,
                "unlocked",
                arrival,
                "unlocked “" + arrival.fileName() + "” with its password; the open copy has the SHA-256 "
                        + open.sha256());
        if (readings.ask(open.sha256())) {
            reading.take(arrival);
        }
    }

    /**
     * Papers with these bytes that wait here belong to a document already: they are taken out of the list.
     *
     * @return how many there were
     */
    @Transactional
    public int belongTo(String sha256, UUID documentId, Actor by, String sentence) {
        List<Arrival> all = arrivals.findBySha256AndState(sha256, Arrival.State.WAITING);
        for (Arrival arrival : all) {
            arrival.file(documentId, by, calendar.now());
            trail.record(AuditEntry.ofFile(
                            by, "signed-on-paper", arrival.fileId(), "“" + arrival.fileName() + "” " + sentence)
                    .aboutWaiting(arrival.seemingTypes()));
        }
        return all.size();
    }

    /** What was thought to belong to a document does not: it waits in the list again. */
    @Transactional
    public void waitAgain(String sha256, UUID documentId) {
        arrivals.findBySha256AndState(sha256, Arrival.State.FILED).stream()
                .filter(arrival -> documentId.equals(arrival.documentId()))
                .forEach(Arrival::takeBack);
    }

    /** Removes a paper that was set aside from the list; its bytes and its trail stay. */
    @Transactional
    public void discard(Viewer viewer, UUID id, String reason) {
        Arrival arrival = aside(viewer, id);
        requireReason(reason);
        arrival.discard(reason.strip(), viewer.actor(), calendar.now());
        note(viewer, "discarded", arrival, "discarded “" + arrival.fileName() + "”: " + reason.strip());
    }

    private Arrival aside(Viewer viewer, UUID id) {
        viewer.requireChange();
        Arrival arrival = waiting.visible(viewer, id);
        if (arrival.state() != Arrival.State.SET_ASIDE) {
            throw Refusal.conflict("not-set-aside", "This paper is not set aside.");
        }
        return arrival;
    }

    private void note(Viewer viewer, String action, Arrival arrival, String sentence) {
        trail.record(AuditEntry.ofFile(viewer.actor(), action, arrival.fileId(), sentence)
                .aboutWaiting(arrival.seemingTypes()));
    }

    private static void requireReason(String reason) {
        if (reason == null || reason.isBlank()) {
            throw Refusal.invalid("reason", "A reason is needed; the next person will read it.");
        }
    }

    /** What became of what a guest sent. */
    public enum SentState {
        RECEIVED,
        FILED,
        SENT_BACK,
        SET_ASIDE
    }

    /** What a guest sent. */
    public record Sent(
            UUID id,
            String fileName,
            Instant receivedAt,
            SentState state,
            @Nullable String reason,
            @Nullable UUID fileId,
            @Nullable UUID documentId,
            @Nullable String suggestedType) {}

    @Transactional(readOnly = true)
    public List<Sent> sentBy(UUID accountId) {
        return arrivals.findByAccountIdAndSourceOrderByReceivedAtDesc(accountId, Arrival.Source.PORTAL).stream()
                .filter(a -> a.state() != Arrival.State.DISCARDED && !a.isPart())
                .map(a -> new Sent(
                        a.id(),
                        a.fileName(),
                        a.receivedAt(),
                        sentState(a),
                        a.reason(),
                        a.fileId(),
                        a.documentId(),
                        a.suggestedType()))
                .toList();
    }

    private static SentState sentState(Arrival arrival) {
        return switch (arrival.state()) {
            case FILED -> SentState.FILED;
            case SET_ASIDE -> SentState.SET_ASIDE;
            default -> SentState.RECEIVED;
        };
    }

    /** A guest takes back what he sent and nobody has filed yet. */
    @Transactional
    public void takeBack(Viewer guest, UUID id) {
        Arrival arrival = arrivals.findById(id)
                .filter(a -> guest.accountId().equals(a.accountId()) && a.source() == Arrival.Source.PORTAL)
                .orElseThrow(() -> Refusal.notFound("paper"));
        if (arrival.state() != Arrival.State.WAITING && arrival.state() != Arrival.State.SET_ASIDE) {
            throw Refusal.conflict(
                    "filed", "This paper is being handled or filed already. Ask the practice if it is the wrong one.");
        }
        arrival.discard("taken back by the sender", guest.actor(), calendar.now());
        note(guest, "taken-back", arrival, "took back “" + arrival.fileName() + "”");
    }
}
