package app.denfold.server.signing.asking;

import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.SignatureQuestion;
import app.denfold.server.signing.requests.SignatureQuestionRepository;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Requests as colleagues see them: those they asked for, and all of papers that they may see. */
@Service
class ShowRequests {

    private static final int MOST = 6_000;

    private final SignatureRequestRepository requests;
    private final SignatureQuestionRepository questions;
    private final Documents documents;
    private final PersonFiles files;
    private final Contents contents;
    private final Outbox outbox;
    private final PracticeCalendar calendar;

    ShowRequests(
            SignatureRequestRepository requests,
            SignatureQuestionRepository questions,
            Documents documents,
            PersonFiles files,
            Contents contents,
            Outbox outbox,
            PracticeCalendar calendar) {
        this.outbox = outbox;
        this.contents = contents;
        this.requests = requests;
        this.questions = questions;
        this.documents = documents;
        this.files = files;
        this.calendar = calendar;
    }

    record PaperRow(UUID id, String name, String type, boolean sealed) {}

    /**
     * One step of the way.
     *
     * @param step from 0; those of the same step are side by side
     * @param now whether it is this one's turn
     * @param colleague whether it is a colleague with an account
     * @param email where he is written to; null for a colleague, or when no address is known
     * @param toldAt when he was written to; null before
     * @param deliveredAt when the mail server took the mail that told him; null before
     * @param notDelivered why it did not; null when it did, or when that is not known yet
     * @param openedAt when he first looked at the papers; null before
     * @param nextReminder day on which he is reminded; null for none
     * @param reason with which he declined or sent it back; null otherwise
     * @param how he was known when he signed, in words; null before
     * @param scanPages how many pages came back signed with a pen; 0 for none
     * @param scanWords what is to be known of them, such as that one is missing; null for nothing
     */
    record TurnRow(
            UUID id,
            int step,
            Task task,
            String role,
            String name,
            boolean colleague,
            @Nullable String email,
            boolean now,
            Outcome outcome,
            @Nullable Instant doneAt,
            @Nullable Instant toldAt,
            @Nullable Instant deliveredAt,
            @Nullable String notDelivered,
            @Nullable Instant openedAt,
            int reminders,
            @Nullable Instant remindedAt,
            @Nullable LocalDate nextReminder,
            @Nullable String reason,
            @Nullable String how,
            int scanPages,
            @Nullable String scanWords) {}

    /**
     * @param since when it is whoever's turn is now; null when it has ended
     * @param overdue whether its day is past and it is open
     * @param sealing whether all signed and the sealed copy is still to come
     */
    record RequestRow(
            UUID id,
            RequestState state,
            boolean atDesk,
            UUID fileId,
            String person,
            @Nullable String team,
            List<PaperRow> papers,
            List<TurnRow> way,
            String askedBy,
            Instant askedAt,
            @Nullable LocalDate dueOn,
            boolean endsAtDue,
            @Nullable Instant since,
            boolean overdue,
            boolean sealing,
            @Nullable Instant endedAt,
            @Nullable String endReason,
            boolean hasQuestion) {}

    record QuestionRow(
            UUID id,
            UUID turnId,
            String askedBy,
            Instant askedAt,
            String question,
            @Nullable String answer,
            @Nullable String answeredBy) {}

    /** @param mayRun whether the viewer may withdraw it, remind and change its signers */
    record RequestAnswer(
            RequestRow row,
            @Nullable String message,
            List<QuestionRow> questions,
            boolean mayPassOn,
            boolean mayRun,
            @Nullable UUID replacedBy) {}

    /** Newest first. @param mine whether only those that the viewer asked for @param open whether only open ones */
    @Transactional(readOnly = true)
    public List<RequestRow> all(Viewer viewer, boolean mine, boolean open) {
        Set<RequestState> states = open ? EnumSet.of(RequestState.OPEN) : EnumSet.allOf(RequestState.class);
        return rows(viewer, requests.findAsked(!mine, viewer.accountId(), states, Limit.of(MOST)));
    }

    /** Of the papers of a file, oldest first. */
    @Transactional(readOnly = true)
    public List<RequestRow> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return rows(viewer, requests.findOnAny(documents.idsOfFile(fileId))).stream()
                .filter(r -> !r.atDesk() || r.state() == RequestState.OPEN)
                .toList();
    }

    /** @throws Refusal when there is none, or the viewer may not see all its papers */
    @Transactional(readOnly = true)
    public RequestAnswer one(Viewer viewer, UUID id) {
        SignatureRequest request = requests.findById(id).orElseThrow(() -> Refusal.notFound("signature request"));
        RequestRow row = rows(viewer, List.of(request)).stream()
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("signature request"));
        return new RequestAnswer(
                row,
                request.message(),
                questions.findByRequestIdInOrderByAskedAt(List.of(id)).stream()
                        .map(ShowRequests::question)
                        .toList(),
                request.mayPassOn(),
                viewer.mayChange(),
                request.replacedBy());
    }

    private static QuestionRow question(SignatureQuestion q) {
        return new QuestionRow(q.id(), q.turnId(), q.askedBy(), q.askedAt(), q.question(), q.answer(), q.answeredBy());
    }

    /** Those whose papers the viewer may see, all of them. */
    private List<RequestRow> rows(Viewer viewer, Collection<SignatureRequest> all) {
        Map<UUID, FiledDocument> papers = documents
                .visible(
                        viewer,
                        all.stream()
                                .flatMap(r -> r.papers().stream())
                                .map(RequestPaper::documentId)
                                .distinct()
                                .toList())
                .stream()
                .collect(Collectors.toMap(FiledDocument::id, Function.identity()));
        Map<UUID, PersonFile> people =
                files
                        .files(papers.values().stream()
                                .map(FiledDocument::fileId)
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(PersonFile::id, Function.identity()));
        Set<UUID> asking =
                questions
                        .findByRequestIdInOrderByAskedAt(
                                all.stream().map(SignatureRequest::id).toList())
                        .stream()
                        .filter(q -> q.answer() == null)
                        .map(SignatureQuestion::requestId)
                        .collect(Collectors.toSet());
        Map<UUID, Outbox.Delivery> deliveries = outbox.deliveries(all.stream()
                .flatMap(r -> r.turns().stream())
                .map(SignatureTurn::noticeId)
                .filter(Objects::nonNull)
                .toList());
        return all.stream()
                .filter(r -> r.papers().stream().allMatch(p -> papers.containsKey(p.documentId())))
                .map(r -> row(r, papers, people, deliveries, asking.contains(r.id())))
                .toList();
    }

    private RequestRow row(
            SignatureRequest r,
            Map<UUID, FiledDocument> papers,
            Map<UUID, PersonFile> people,
            Map<UUID, Outbox.Delivery> deliveries,
            boolean hasQuestion) {
        FiledDocument first =
                Objects.requireNonNull(papers.get(r.papers().get(0).documentId()));
        PersonFile person = Objects.requireNonNull(people.get(first.fileId()));
        List<SignatureTurn> now = r.whoseTurn();
        boolean open = r.state() == RequestState.OPEN;
        return new RequestRow(
                r.id(),
                r.state(),
                r.isAtDesk(),
                person.id(),
                person.name(),
                person.team(),
                r.papers().stream()
                        .map(p -> paper(p, papers.get(p.documentId())))
                        .toList(),
                r.turns().stream()
                        .map(t -> turn(r, t, delivery(t, deliveries), now.contains(t)))
                        .toList(),
                r.askedBy(),
                r.askedAt(),
                r.dueOn(),
                r.lastDay() != null,
                open ? since(r) : null,
                open && r.dueOn() != null && r.dueOn().isBefore(calendar.today()),
                !open && r.papers().stream().anyMatch(p -> !p.sealed()),
                r.endedAt(),
                r.endReason(),
                hasQuestion);
    }

    private PaperRow paper(RequestPaper paper, @Nullable FiledDocument document) {
        FiledDocument known = Objects.requireNonNull(document);
        return new PaperRow(known.id(), known.name(), documents.typeLabel(known), paper.sealed());
    }

    private static Instant since(SignatureRequest request) {
        return request.whoseTurn().stream()
                .map(SignatureTurn::toldAt)
                .filter(Objects::nonNull)
                .min(Instant::compareTo)
                .orElse(request.askedAt());
    }

    private static @Nullable Outbox.Delivery delivery(SignatureTurn turn, Map<UUID, Outbox.Delivery> deliveries) {
        return turn.noticeId() == null ? null : deliveries.get(turn.noticeId());
    }

    private TurnRow turn(SignatureRequest request, SignatureTurn t, @Nullable Outbox.Delivery delivery, boolean now) {
        Optional<LocalDate> next = now ? RequestsJob.nextReminder(request, t, calendar) : Optional.empty();
        return new TurnRow(
                t.id(),
                t.step(),
                t.task(),
                t.roleLabel(),
                t.outcome().isOver() ? t.signedName() : t.name(),
                t.accountId() != null,
                t.address(),
                now,
                t.outcome(),
                t.doneAt(),
                t.toldAt(),
                delivery == null ? null : delivery.deliveredAt(),
                delivery == null ? null : delivery.failure(),
                t.openedAt(),
                t.reminders(),
                t.remindedAt(),
                next.orElse(null),
                t.reason(),
                t.knownBy() == null ? null : t.knownBy().words(),
                t.scanSha256() == null ? 0 : contents.content(t.scanSha256()).pages(),
                t.scanWords());
    }
}
