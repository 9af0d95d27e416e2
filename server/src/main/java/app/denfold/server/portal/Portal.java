package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.arrivals.upload.SentPapers;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** What a guest sees and does; everything starts from his own rights and shares. */
@Service
class Portal {

    private final GuestRightRepository rights;
    private final ShareRepository shares;
    private final Asks asks;
    private final Accounts accounts;
    private final PersonFiles files;
    private final Documents documents;
    private final Contents contents;
    private final Arrivals arrivals;
    private final SentPapers sent;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final TransactionTemplate transactions;

    Portal(
            GuestRightRepository rights,
            ShareRepository shares,
            Asks asks,
            Accounts accounts,
            PersonFiles files,
            Documents documents,
            Contents contents,
            Arrivals arrivals,
            SentPapers sent,
            AuditTrail trail,
            PracticeSettings settings,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.rights = rights;
        this.shares = shares;
        this.asks = asks;
        this.accounts = accounts;
        this.files = files;
        this.documents = documents;
        this.contents = contents;
        this.arrivals = arrivals;
        this.sent = sent;
        this.trail = trail;
        this.settings = settings;
    }

    record GuestPerson(UUID fileId, String name, String relation, boolean mayAdd) {}

    /** @param sent true once the guest sent a paper for it that is not filed yet */
    record GuestAsk(
            UUID id,
            UUID fileId,
            String personName,
            String label,
            String why,
            @Nullable String words,
            boolean sent) {}

    record SharedPaper(
            UUID documentId,
            String name,
            String typeLabel,
            String personName,
            LocalDate documentDate,
            int pages,
            Instant sharedAt,
            boolean fresh) {}

    record SentPaper(UUID id, String fileName, Instant receivedAt, Arrivals.SentState state) {}

    record PortalAnswer(
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
        for (GuestRight right : rights.findByAccountId(guest.accountId())) {
            PersonFile file = files.file(right.fileId());
            people.add(new GuestPerson(file.id(), file.name(), right.relation(), right.mayAdd()));
            if (right.mayAdd()) {
                asks.openFor(guest.accountId(), file.id()).forEach(a -> asked.add(answer(a, file, sent)));
            }
        }
        Instant before = accounts.previousVisit(guest.accountId()).orElse(null);
        return new PortalAnswer(
                settings.name(),
                settings.look().colour(),
                guest.name(),
                before,
                people,
                asked,
                shared(guest, before),
                sent.stream()
                        .map(s -> new SentPaper(s.id(), s.fileName(), s.receivedAt(), s.state()))
                        .toList());
    }

    private static GuestAsk answer(Asks.OpenAsk open, PersonFile file, List<Arrivals.Sent> sent) {
        boolean waiting = sent.stream()
                .anyMatch(s -> file.id().equals(s.fileId())
                        && s.state() != Arrivals.SentState.FILED
                        && s.receivedAt().isAfter(open.ask().askedAt())
                        && s.suggestedType() != null
                        && open.types().contains(s.suggestedType()));
        return new GuestAsk(
                open.ask().id(),
                file.id(),
                file.name(),
                open.label(),
                open.why(),
                open.ask().words(),
                waiting);
    }

    private List<SharedPaper> shared(Viewer guest, @Nullable Instant before) {
        List<SharedPaper> papers = new ArrayList<>();
        for (Share share : shares.findByAccountIdAndWithdrawnAtIsNullOrderBySharedAtDesc(guest.accountId())) {
            FiledDocument document = documents.document(share.documentId());
            if (!document.isEnteredInError()) {
                papers.add(new SharedPaper(
                        document.id(),
                        document.name(),
                        documents.typeLabel(document),
                        files.file(document.fileId()).name(),
                        document.documentDate(),
                        contents.content(document.latest().sha256()).pages(),
                        share.sharedAt(),
                        before == null || share.sharedAt().isAfter(before)));
            }
        }
        return papers;
    }

    /** A document shared with the guest. @throws Refusal when it is not, or no longer */
    @Transactional(readOnly = true)
    public FiledDocument shared(Viewer guest, UUID documentId) {
        shares.findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(guest.accountId(), documentId)
                .orElseThrow(() -> Refusal.notFound("paper"));
        FiledDocument document = documents.document(documentId);
        if (document.isEnteredInError()) {
            throw Refusal.notFound("paper");
        }
        document.latest();
        return document;
    }

    @Transactional
    public String lookedAt(Viewer guest, UUID documentId) {
        FiledDocument document = shared(guest, documentId);
        trail.lookedAt(guest, document.fileId(), documentId, document.name());
        return document.latest().sha256();
    }

    /** Name and content of a shared document about to be downloaded, noted in the trail. */
    record Downloaded(String name, String sha256) {}

    @Transactional
    public Downloaded download(Viewer guest, UUID documentId) {
        FiledDocument document = shared(guest, documentId);
        trail.record(new AuditEntry(
                guest.actor(),
                "downloaded",
                document.fileId(),
                documentId,
                "downloaded “" + document.name() + "” from the portal"));
        return new Downloaded(document.name(), document.latest().sha256());
    }

    /**
     * Receives a paper from a guest.
     *
     * @param askId what it answers; null when nothing
     * @throws Refusal when the guest may not add to the file, or the paper is not taken
     */
    public UUID send(Viewer guest, UUID fileId, @Nullable UUID askId, UUID upload) throws IOException {
        Optional<Asks.OpenAsk> answered =
                Objects.requireNonNull(transactions.execute(t -> answered(guest, fileId, askId)));
        SentPapers.Known known = new SentPapers.Known(
                fileId,
                answered.map(a -> a.types().get(0)).orElse(null),
                answered.map(a -> "Asked for: " + a.label()).orElse(null));
        return sent.takeOnce(guest, upload, Arrival.Source.PORTAL, known);
    }

    private Optional<Asks.OpenAsk> answered(Viewer guest, UUID fileId, @Nullable UUID askId) {
        rights.findByAccountIdAndFileId(guest.accountId(), fileId)
                .filter(GuestRight::mayAdd)
                .orElseThrow(() -> Refusal.notFound("file"));
        return askId == null
                ? Optional.empty()
                : Optional.of(asks.openFor(guest.accountId(), fileId).stream()
                        .filter(a -> a.ask().id().equals(askId))
                        .findFirst()
                        .orElseThrow(() -> Refusal.notFound("request")));
    }
}
