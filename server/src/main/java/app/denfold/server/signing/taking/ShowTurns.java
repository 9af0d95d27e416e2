package app.denfold.server.signing.taking;

import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningOrder;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Download;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.ShownPageStore;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureQuestion;
import app.denfold.server.signing.requests.SignatureQuestionRepository;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.sealing.SealedCopies;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** A turn as whoever takes it sees it: papers, fields, what was asked, and how far the others are. */
@Service
public class ShowTurns {

    private final SignatureRequestRepository requests;
    private final SignatureQuestionRepository questions;
    private final ShownPageStore shown;
    private final Documents documents;
    private final Contents contents;
    private final Download download;
    private final PersonFiles files;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    ShowTurns(
            SignatureRequestRepository requests,
            SignatureQuestionRepository questions,
            ShownPageStore shown,
            Documents documents,
            Contents contents,
            Download download,
            PersonFiles files,
            PracticeSettings settings,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.requests = requests;
        this.questions = questions;
        this.shown = shown;
        this.documents = documents;
        this.contents = contents;
        this.download = download;
        this.files = files;
        this.settings = settings;
        this.calendar = calendar;
    }

    /** @param position among the fields of the turn, from 0; the parts are of the page as seen */
    public record FieldToFill(
            int position,
            SignField.Kind kind,
            int page,
            double left,
            double top,
            double width,
            @Nullable Double height,
            boolean required,
            @Nullable String label,
            @Nullable String value) {}

    /**
     * @param shownPages pages that were shown already, from 1
     * @param sealedCopy whether the sealed copy can be had
     */
    public record PaperToSign(
            UUID id, String name, int pages, List<FieldToFill> fields, List<Integer> shownPages, boolean sealedCopy) {}

    /** A step of the way; who it is stays with the practice. @param mine whether it is this turn */
    public record StepOfWay(
            int step,
            Task task,
            String role,
            Outcome outcome,
            @Nullable Instant doneAt,
            boolean mine) {}

    public record Talk(
            UUID id,
            String question,
            Instant askedAt,
            @Nullable String answer,
            @Nullable String answeredBy) {}

    /**
     * @param person whom the papers are about
     * @param hindrance why it cannot be taken now, in words; null when it can
     * @param done whether this turn is over
     * @param secret what is asked for once more before signing
     * @param forName for whom a deputy signs; null for oneself
     */
    public record TurnAnswer(
            UUID turnId,
            UUID requestId,
            String practice,
            String person,
            String askedBy,
            Instant askedAt,
            @Nullable String message,
            @Nullable LocalDate dueOn,
            RequestState state,
            Task task,
            String role,
            String name,
            @Nullable String hindrance,
            boolean done,
            List<PaperToSign> papers,
            List<StepOfWay> way,
            boolean mayPassOn,
            List<Talk> questions,
            Secret secret,
            @Nullable String forName) {}

    /** What a signer shows once more before he signs. */
    public enum Secret {
        NONE,
        PASSWORD,
        SECOND_FACTOR
    }

    /** As seen by the one whose turn it is; that he came is noted. */
    @Transactional
    public TurnAnswer opened(UUID turnId, Secret secret, @Nullable String forName) {
        SignatureRequest request = requests.findOfTurn(turnId).orElseThrow(() -> Refusal.notFound("signature request"));
        SignatureTurn turn = request.turn(turnId).orElseThrow();
        if (request.whoseTurn().contains(turn)) {
            turn.opened(calendar.now());
        }
        return answer(request, turn, secret, forName);
    }

    TurnAnswer answer(SignatureRequest request, SignatureTurn turn, Secret secret, @Nullable String forName) {
        FiledDocument first = documents.document(request.papers().get(0).documentId());
        return new TurnAnswer(
                turn.id(),
                request.id(),
                settings.name(),
                files.file(first.fileId()).name(),
                request.askedBy(),
                request.askedAt(),
                request.message(),
                request.dueOn(),
                request.state(),
                turn.task(),
                turn.roleLabel(),
                turn.name(),
                request.hindrance(turn, calendar.today())
                        .map(why -> TakeTurns.words(why, request, turn))
                        .orElse(null),
                turn.outcome().isOver(),
                request.papersOf(turn).stream()
                        .map(p -> paper(request, turn, p))
                        .toList(),
                request.turns().stream()
                        .map(t -> new StepOfWay(
                                t.step(), t.task(), t.roleLabel(), t.outcome(), t.doneAt(), t.equals(turn)))
                        .toList(),
                request.mayPassOn(),
                questions.findByRequestIdInOrderByAskedAt(List.of(request.id())).stream()
                        .filter(q -> q.turnId().equals(turn.id()))
                        .map(ShowTurns::talk)
                        .toList(),
                secret,
                forName);
    }

    private static Talk talk(SignatureQuestion q) {
        return new Talk(q.id(), q.question(), q.askedAt(), q.answer(), q.answeredBy());
    }

    private PaperToSign paper(SignatureRequest request, SignatureTurn turn, RequestPaper paper) {
        FiledDocument document = documents.document(paper.documentId());
        List<SignField> own = TakeTurns.fieldsOf(request, turn);
        return new PaperToSign(
                document.id(),
                documents.typeLabel(document),
                contents.content(paper.sourceSha256()).pages(),
                own.stream()
                        .filter(f -> f.documentId().equals(document.id()))
                        .map(f -> new FieldToFill(
                                own.indexOf(f),
                                f.kind(),
                                f.page(),
                                f.leftPart(),
                                f.topPart(),
                                f.widthPart(),
                                f.heightPart(),
                                f.required(),
                                f.label(),
                                f.value()))
                        .toList(),
                shown.pages(turn.id(), document.id()),
                isSealed(request, paper, document));
    }

    /** Of a request that ended: before, nothing is sealed; and an older seal is not of these signatures. */
    private static boolean isSealed(SignatureRequest request, RequestPaper paper, FiledDocument document) {
        return request.state().isEnded()
                && paper.sealed()
                && !request.signedOn(document.id()).isEmpty()
                && document.versions().stream().anyMatch(v -> SealedCopies.isOf(v, paper.sourceSha256()));
    }

    /**
     * A page of what is to be signed; that it was shown is noted while it is the turn.
     *
     * @throws Refusal when the paper is none of the turn's
     */
    public ResponseEntity<byte[]> page(UUID turnId, UUID documentId, int page, int width) {
        Drawn drawn = Objects.requireNonNull(transactions.execute(t -> toDraw(turnId, documentId)));
        ResponseEntity<byte[]> answer = download.page(drawn.sha256(), page, width);
        if (drawn.counts()) {
            shown.shown(turnId, documentId, page, calendar.now());
        }
        return answer;
    }

    /** @param counts whether it is the turn now, so that what is shown is noted */
    private record Drawn(String sha256, boolean counts) {}

    private Drawn toDraw(UUID turnId, UUID documentId) {
        SignatureRequest request = requests.findOfTurn(turnId).orElseThrow(() -> Refusal.notFound("signature request"));
        SignatureTurn turn = request.turn(turnId).orElseThrow();
        RequestPaper paper = paper(request, turn, documentId);
        if (request.state() == RequestState.WITHDRAWN || request.state() == RequestState.REPLACED) {
            throw Refusal.gone("signing-ended", TakeTurns.words(SigningOrder.Hindrance.ENDED, request, turn));
        }
        return new Drawn(paper.sourceSha256(), request.whoseTurn().contains(turn));
    }

    private static RequestPaper paper(SignatureRequest request, SignatureTurn turn, UUID documentId) {
        return request.papersOf(turn).stream()
                .filter(p -> p.documentId().equals(documentId))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("paper to be signed"));
    }

    /** The sealed copy, for whoever signed. @throws Refusal when there is none yet, or he did not sign */
    @Transactional(readOnly = true)
    public ResponseEntity<Resource> copy(UUID turnId, UUID documentId) {
        SignatureRequest request = requests.findOfTurn(turnId).orElseThrow(() -> Refusal.notFound("signature request"));
        SignatureTurn turn = request.turn(turnId).orElseThrow();
        RequestPaper paper = paper(request, turn, documentId);
        FiledDocument document = documents.document(documentId);
        if (!turn.isSigned() || !isSealed(request, paper, document)) {
            throw Refusal.notFound("sealed copy");
        }
        String sha256 = document.versions().stream()
                .filter(v -> SealedCopies.isOf(v, paper.sourceSha256()))
                .reduce((older, newer) -> newer)
                .orElseThrow()
                .sha256();
        return download.attachment(sha256, documents.typeLabel(document));
    }
}
