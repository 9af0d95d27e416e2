package app.denfold.server.signing.asking;

import app.denfold.core.signing.Reminders;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.catalog.Signer;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.placing.Layouts;
import app.denfold.server.signing.requests.Asked;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.sealing.SealedCopies;
import app.denfold.server.signing.telling.TellTurns;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks for signatures on papers of one file. */
@Service
public class AskToSign {

    private final SignatureRequestRepository requests;
    private final WhoSigns who;
    private final TellTurns tell;
    private final Layouts layouts;
    private final Documents documents;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Contents contents;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    AskToSign(
            SignatureRequestRepository requests,
            WhoSigns who,
            TellTurns tell,
            Layouts layouts,
            Documents documents,
            PersonFiles files,
            Catalog catalog,
            Contents contents,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.requests = requests;
        this.who = who;
        this.tell = tell;
        this.layouts = layouts;
        this.documents = documents;
        this.files = files;
        this.catalog = catalog;
        this.contents = contents;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * Asks, and writes to those whose turn is the first.
     *
     * @throws Refusal when a paper cannot be signed or is being signed, somebody cannot be asked, or a day is past
     */
    @Transactional
    public SignatureRequest ask(Viewer viewer, AskDetails details) {
        return askAll(viewer, List.of(details)).get(0);
    }

    /**
     * Asks for several at once: all of them, or none.
     *
     * @return the requests, in the order given
     * @throws Refusal as above, for the first that cannot be asked
     */
    @Transactional
    public List<SignatureRequest> askAll(Viewer viewer, List<AskDetails> all) {
        viewer.requireChange();
        Set<UUID> papers = all.stream()
                .flatMap(d -> d.papers().stream())
                .map(AskDetails.AskedPaper::id)
                .collect(Collectors.toSet());
        documents.readTogether(papers);
        List<SignatureRequest> open = requests.findOpenOnAny(papers);
        Map<String, Viewer> accounts =
                who.accountsOf(all.stream().flatMap(d -> d.signers().stream()).toList());
        List<Prepared> prepared =
                all.stream().map(d -> prepared(viewer, d, open, accounts)).toList();
        List<SignatureRequest> begun = prepared.stream().map(Prepared::request).toList();
        // told before they are written, so that each is written once
        List<TellTurns.TurnMail> mails = tell.mailsFor(begun);
        requests.saveAll(begun);
        note(begun, "signing-asked", r -> "asked " + names(r.turns()) + " to sign", "");
        tell.send(mails);
        write();
        prepared.forEach(p -> keepPlaces(p.details(), p.request(), p.pages()));
        return begun;
    }

    private record Prepared(AskDetails details, SignatureRequest request, List<PlaceFields.Page> pages) {}

    private Prepared prepared(
            Viewer viewer, AskDetails details, List<SignatureRequest> open, Map<String, Viewer> accounts) {
        if (details.dueOn() != null && details.dueOn().isBefore(calendar.today())) {
            throw Refusal.invalid("dueOn", "Choose a day that is not past.");
        }
        if (details.endsAtDue() && details.dueOn() == null) {
            throw Refusal.invalid("dueOn", "Choose the last day for signing.");
        }
        List<PlaceFields.Page> pages = new ArrayList<>();
        for (AskDetails.AskedPaper paper : details.papers()) {
            pages.add(page(
                    viewer,
                    paper.id(),
                    paper.version(),
                    open.stream().filter(r -> r.paper(paper.id()).isPresent()).findFirst()));
        }
        PersonFile file = files.file(oneFile(pages));
        List<SignatureTurn> turns = who.turns(details.signers(), rolesOf(pages), file, accounts);
        Asked asked = new Asked(
                WhoSigns.blankToNull(details.message()),
                details.dueOn(),
                details.endsAtDue(),
                new Reminders(details.remindEveryDays(), details.remindMost()),
                details.mayPassOn());
        SignatureRequest request = new SignatureRequest(
                false,
                pages.stream()
                        .map(p -> new RequestPaper(p.documentId(), p.source().sha256(), true, true))
                        .toList(),
                turns,
                PlaceFields.of(details.fields(), turns, pages),
                asked,
                viewer.actor(),
                calendar.now());
        return new Prepared(details, request, pages);
    }

    /** The next paper of the type needs no placing; what was placed by itself is not kept. */
    private void keepPlaces(AskDetails details, SignatureRequest request, List<PlaceFields.Page> pages) {
        for (PlaceFields.Page page : pages) {
            if (details.fields().stream().anyMatch(f -> f.paperId().equals(page.documentId()))) {
                layouts.keep(
                        documents.document(page.documentId()),
                        page.source().pages(),
                        request.fields().stream()
                                .filter(f -> f.documentId().equals(page.documentId()))
                                .toList(),
                        turn -> request.turn(turn).orElseThrow().role());
            }
        }
    }

    /** Keeps it, and notes it for each of its papers. @param before the name of the paper @param after behind it */
    public void begin(SignatureRequest request, String action, String before, String after) {
        requests.save(request);
        write();
        note(List.of(request), action, r -> before, after);
    }

    /** @throws Refusal when somebody else was quicker */
    private void write() {
        try {
            requests.flush();
        } catch (DataIntegrityViolationException atOnce) {
            throw Refusal.conflict(
                    "signing-open", "Somebody else has just asked for signatures on one of these papers.");
        }
    }

    private void note(
            List<SignatureRequest> begun, String action, Function<SignatureRequest, String> before, String after) {
        for (SignatureRequest request : begun) {
            for (RequestPaper paper : request.papers()) {
                FiledDocument document = documents.document(paper.documentId());
                trail.record(new AuditEntry(
                        request.asker(),
                        action,
                        document.fileId(),
                        document.id(),
                        before.apply(request) + " “" + document.name() + "”" + after));
            }
        }
    }

    private static String names(List<SignatureTurn> turns) {
        return turns.stream().map(SignatureTurn::name).distinct().collect(Collectors.joining(" and "));
    }

    private UUID oneFile(List<PlaceFields.Page> pages) {
        List<UUID> all = pages.stream()
                .map(p -> documents.document(p.documentId()).fileId())
                .distinct()
                .toList();
        if (all.size() > 1) {
            throw Refusal.invalid("papers", "Choose papers of one file; each person gets a request of their own.");
        }
        return all.get(0);
    }

    private static List<Signer> rolesOf(List<PlaceFields.Page> pages) {
        Map<String, Signer> all = new LinkedHashMap<>();
        pages.forEach(p -> p.unsigned().forEach(s -> all.putIfAbsent(s.role(), s)));
        return List.copyOf(all.values());
    }

    /** A paper that can be signed now. @throws Refusal when it cannot */
    public PlaceFields.Page page(Viewer viewer, UUID documentId, int version) {
        return page(viewer, documentId, version, requests.findOpenOn(documentId));
    }

    private PlaceFields.Page page(Viewer viewer, UUID documentId, int version, Optional<SignatureRequest> waiting) {
        FiledDocument document = documents.visible(viewer, documentId);
        document.requireNewest(version);
        if (document.isEnteredInError()) {
            throw Refusal.conflict(
                    "entered-in-error",
                    "“" + document.name() + "” was marked as entered in error and cannot be signed.");
        }
        waiting.ifPresent(open -> {
            throw Refusal.conflict(
                    "signing-open",
                    open.isAtDesk()
                            ? "“" + document.name() + "” is being signed at a desk already."
                            : "“" + document.name() + "” waits for signatures already.",
                    Map.of("requestId", open.id().toString(), "atDesk", open.isAtDesk()));
        });
        Content source = contents.content(SealedCopies.sourceOf(document).sha256());
        if (source.pages() == 0) {
            throw Refusal.conflict(
                    "unreadable",
                    "No page of “" + document.name() + "” can be shown, so nobody could sign what he reads. If it has a"
                            + " password, take it in again without.");
        }
        DocumentTypes types = catalog.types(document.types());
        return new PlaceFields.Page(
                documentId, source, document.unsignedBy(types), types.signers().isEmpty());
    }
}
