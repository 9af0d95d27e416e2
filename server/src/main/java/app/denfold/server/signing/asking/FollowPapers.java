package app.denfold.server.signing.asking;

import app.denfold.core.signing.RequestState;
import app.denfold.server.access.Actor;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.documents.DocumentEvents;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import app.denfold.server.documents.DocumentEvents.DocumentLeft;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.documents.DocumentEvents.FilingTakenBack;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.ShownPageStore;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureQuestionRepository;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.sealing.SealedCopies;
import app.denfold.server.signing.telling.TellTurns;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What becomes of requests when their papers are corrected, moved, entered in error or destroyed. */
@Component
class FollowPapers {

    private final SignatureRequestRepository requests;
    private final SignatureQuestionRepository questions;
    private final ShownPageStore shown;
    private final AskToSign ask;
    private final RunRequest run;
    private final TellTurns tell;
    private final Documents documents;
    private final DestroyContent destroy;
    private final PracticeCalendar calendar;

    FollowPapers(
            SignatureRequestRepository requests,
            SignatureQuestionRepository questions,
            ShownPageStore shown,
            AskToSign ask,
            RunRequest run,
            TellTurns tell,
            Documents documents,
            DestroyContent destroy,
            PracticeCalendar calendar) {
        this.requests = requests;
        this.questions = questions;
        this.shown = shown;
        this.ask = ask;
        this.run = run;
        this.tell = tell;
        this.documents = documents;
        this.destroy = destroy;
        this.calendar = calendar;
    }

    /** @throws Refusal while the paper is to be signed */
    @EventListener
    void on(DocumentLeft event) {
        requests.findOpenOn(event.documentId()).ifPresent(open -> {
            throw Refusal.conflict(
                    "signing-open",
                    open.isAtDesk()
                            ? "A paper is being signed at a desk; it stays until that is finished or broken off."
                            : "A paper waits for signatures; it stays until it is signed, or the request withdrawn.");
        });
    }

    @EventListener
    void on(FilingTakenBack event) {
        if (!requests.findOn(event.documentId()).isEmpty()) {
            throw DocumentEvents.builtOn("laid before signers");
        }
    }

    @EventListener
    void on(DocumentDestroyed event) {
        shown.forgetPaper(event.documentId());
        for (SignatureRequest request : requests.findOn(event.documentId())) {
            if (request.forget(event.documentId())) {
                List<String> scans = request.turns().stream()
                        .flatMap(t -> Optional.ofNullable(t.scanSha256()).stream())
                        .toList();
                questions.deleteByRequestId(request.id());
                requests.forgetSuccessor(request.id());
                requests.delete(request);
                requests.flush();
                scans.forEach(destroy::unlessUsed);
            }
        }
    }

    /** A corrected paper ends the request and starts a new one; one entered in error ends it. */
    @EventListener
    void on(FileContentChanged event) {
        SignatureRequest request = requests.findOpenOn(event.documentId())
                .filter(r -> !r.isAtDesk())
                .orElse(null);
        if (request == null) {
            return;
        }
        FiledDocument document = documents.document(event.documentId());
        DocumentVersion source = SealedCopies.sourceOf(document);
        if (document.isEnteredInError()) {
            run.end(
                    request,
                    RequestState.WITHDRAWN,
                    Actor.system(request.askedBy()),
                    "The paper was entered in error.");
        } else if (request.paper(document.id())
                .filter(p -> !p.sourceSha256().equals(source.sha256()))
                .isPresent()) {
            replace(request, source.madeBy());
        }
    }

    private void replace(SignatureRequest former, String by) {
        run.end(former, RequestState.REPLACED, Actor.system(by), null);
        run.note(former, Actor.system(by), "signing-replaced", "asks again for signatures, on the corrected", "");
        requests.flush();
        Map<UUID, SignatureTurn> newer = new HashMap<>();
        List<SignatureTurn> turns = new ArrayList<>();
        for (SignatureTurn t : former.turns()) {
            SignatureTurn again = new SignatureTurn(
                    t.step(), t.task(), t.role(), t.roleLabel(), t.accountId(), t.name(), t.address());
            newer.put(t.id(), again);
            turns.add(again);
        }
        List<RequestPaper> papers = former.papers().stream()
                .map(p -> new RequestPaper(
                        p.documentId(),
                        SealedCopies.sourceOf(documents.document(p.documentId()))
                                .sha256(),
                        true,
                        true))
                .toList();
        List<SignField> fields = former.fields().stream()
                .map(f -> f.of(Objects.requireNonNull(newer.get(f.turnId())).id()))
                .toList();
        SignatureRequest request =
                new SignatureRequest(false, papers, turns, fields, former.asked(), former.asker(), calendar.now());
        ask.begin(request, "signing-asked", "asked for signatures on the corrected", "");
        former.replacedBy(request.id());
        tell.turnsThatCame(request);
    }
}
