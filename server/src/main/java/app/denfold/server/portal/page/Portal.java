package app.denfold.server.portal.page;

import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.portal.Asks;
import app.denfold.server.portal.GuestRight;
import app.denfold.server.portal.GuestRights;
import app.denfold.server.portal.seeing.PutAwayStore;
import app.denfold.server.portal.seeing.ShownPapers;
import app.denfold.server.portal.seeing.ZipShown;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What somebody outside sees: what is asked of him, what is shown to him, what he sent and what became of it. */
@Service
public class Portal {

    private final GuestRights rights;
    private final ShownPapers shown;
    private final PutAwayStore putAway;
    private final Asks asks;
    private final Accounts accounts;
    private final PersonFiles files;
    private final Documents documents;
    private final Catalog catalog;
    private final Contents contents;
    private final Arrivals arrivals;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    Portal(
            GuestRights rights,
            ShownPapers shown,
            PutAwayStore putAway,
            Asks asks,
            Accounts accounts,
            PersonFiles files,
            Documents documents,
            Catalog catalog,
            Contents contents,
            Arrivals arrivals,
            AuditTrail trail,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.rights = rights;
        this.shown = shown;
        this.putAway = putAway;
        this.asks = asks;
        this.accounts = accounts;
        this.files = files;
        this.documents = documents;
        this.catalog = catalog;
        this.contents = contents;
        this.arrivals = arrivals;
        this.trail = trail;
        this.settings = settings;
        this.calendar = calendar;
    }

    /** @param until the last day on which the guest sees anything of the person; null for no end */
    public record GuestPerson(
            UUID fileId,
            String name,
            String relation,
            boolean mayAdd,
            boolean mayTakeBack,
            @Nullable LocalDate until) {}

    /** @param sent true once the guest sent a paper for it that is not filed yet */
    public record GuestAsk(
            UUID id,
            UUID fileId,
            String personName,
            String label,
            String why,
            @Nullable LocalDate day,
            @Nullable String words,
            boolean sent) {}

    /** @param fresh shown since the visit before this one, and not put away */
    public record SharedPaper(
            UUID documentId,
            UUID fileId,
            String name,
            String typeLabel,
            String sectionLabel,
            String personName,
            LocalDate documentDate,
            int pages,
            Instant sharedAt,
            boolean fresh) {}

    /** @param reason why it was sent back or set aside; null when it was not */
    public record SentPaper(
            UUID id,
            @Nullable UUID fileId,
            String fileName,
            @Nullable String personName,
            Instant receivedAt,
            Arrivals.SentState state,
            @Nullable String reason) {}

    public record PortalAnswer(
            String practice,
            String colour,
            String guest,
            @Nullable Instant previousVisit,
            List<GuestPerson> people,
            List<GuestAsk> asks,
            List<SharedPaper> shared,
            List<SentPaper> sent) {}

    @Transactional(readOnly = true)
    public PortalAnswer portal(Viewer guest) {
        List<GuestPerson> people = new ArrayList<>();
        List<GuestAsk> asked = new ArrayList<>();
        List<Arrivals.Sent> sent = arrivals.sentBy(guest.accountId());
        for (GuestRight right : rights.of(guest.accountId())) {
            PersonFile file = files.file(right.fileId());
            LocalDate today = calendar.today();
            boolean mayAdd = right.granted().allowsSomewhere(Deed.ADD, today);
            people.add(new GuestPerson(
                    file.id(),
                    file.name(),
                    right.relation(),
                    mayAdd,
                    right.granted().allowsSomewhere(Deed.REMOVE, today),
                    right.granted().until()));
            if (mayAdd) {
                asks.openFor(guest.accountId(), file.id()).forEach(a -> asked.add(answer(a, file, sent)));
            }
        }
        Map<UUID, String> names =
                people.stream().collect(Collectors.toMap(GuestPerson::fileId, GuestPerson::name, (one, same) -> one));
        Instant before = accounts.previousVisit(guest.accountId()).orElse(null);
        return new PortalAnswer(
                settings.name(),
                settings.look().colour(),
                guest.name(),
                before,
                people,
                asked,
                shared(guest, before, names),
                sent.stream()
                        .filter(s -> s.fileId() == null || names.containsKey(s.fileId()))
                        .map(s -> became(s, s.fileId() == null ? null : names.get(s.fileId())))
                        .toList());
    }

    /** What became of it: a paper that was filed may have been sent back since. */
    private SentPaper became(Arrivals.Sent sent, @Nullable String person) {
        String reason = sent.documentId() == null
                ? null
                : documents
                        .outsideWastebasket(sent.documentId())
                        .map(FiledDocument::sentBackReason)
                        .orElse(null);
        boolean isSentBack = sent.state() == Arrivals.SentState.FILED && reason != null;
        return new SentPaper(
                sent.id(),
                sent.fileId(),
                sent.fileName(),
                person,
                sent.receivedAt(),
                isSentBack ? Arrivals.SentState.SENT_BACK : sent.state(),
                isSentBack ? reason : sent.state() == Arrivals.SentState.SET_ASIDE ? sent.reason() : null);
    }

    private static GuestAsk answer(Asks.OpenAsk open, PersonFile file, List<Arrivals.Sent> sent) {
        boolean waiting = sent.stream()
                .anyMatch(s -> file.id().equals(s.fileId())
                        && s.state() == Arrivals.SentState.RECEIVED
                        && s.receivedAt().isAfter(open.ask().askedAt())
                        && s.suggestedType() != null
                        && open.types().contains(s.suggestedType()));
        return new GuestAsk(
                open.ask().id(),
                file.id(),
                file.name(),
                open.label(),
                open.why(),
                open.day(),
                open.ask().words(),
                waiting);
    }

    private List<SharedPaper> shared(Viewer guest, @Nullable Instant before, Map<UUID, String> names) {
        Set<UUID> away = putAway.of(guest.accountId());
        Map<String, String> sections =
                catalog.sections().stream().collect(Collectors.toMap(Section::code, Section::label));
        return shown.of(guest.accountId()).stream()
                .map(s -> {
                    FiledDocument paper = s.paper();
                    return new SharedPaper(
                            paper.id(),
                            paper.fileId(),
                            paper.name(),
                            documents.typeLabel(paper),
                            sections.getOrDefault(shown.sectionOf(paper), ""),
                            names.getOrDefault(paper.fileId(), ""),
                            paper.documentDate(),
                            contents.content(paper.latest().sha256()).pages(),
                            s.since(),
                            isFresh(s, before) && !away.contains(paper.id()));
                })
                .toList();
    }

    /** At the first visit all is new, of which only what was shown singly is worth telling. */
    private static boolean isFresh(ShownPapers.Shown shown, @Nullable Instant before) {
        return before == null ? shown.singly() : shown.since().isAfter(before);
    }

    /** It is no longer told as new. */
    @Transactional
    void putAway(Viewer guest, UUID documentId) {
        shown.one(guest.accountId(), documentId);
        putAway.add(guest.accountId(), documentId, calendar.now());
    }

    @Transactional
    public void lookedAt(Viewer guest, UUID documentId) {
        FiledDocument document = shown.one(guest.accountId(), documentId);
        trail.lookedAt(guest, document.fileId(), documentId, document.name());
        putAway.add(guest.accountId(), documentId, calendar.now());
    }

    /** @return name of a shared document about to be downloaded, which is noted in the trail */
    @Transactional
    public String download(Viewer guest, UUID documentId) {
        FiledDocument document = shown.one(guest.accountId(), documentId);
        noteDownload(guest, document);
        return document.name();
    }

    private void noteDownload(Viewer guest, FiledDocument document) {
        trail.record(new AuditEntry(
                guest.actor(),
                "downloaded",
                document.fileId(),
                document.id(),
                "downloaded “" + document.name() + "” from the portal"));
    }

    /** All that is shown, to be put into one file; noted in the trail, paper by paper. */
    @Transactional
    List<ZipShown.Entry> downloadAll(Viewer guest) {
        return shown.of(guest.accountId()).stream()
                .map(ShownPapers.Shown::paper)
                .map(paper -> {
                    noteDownload(guest, paper);
                    return new ZipShown.Entry(paper.id(), paper.name());
                })
                .toList();
    }
}
