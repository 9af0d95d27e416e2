package app.denfold.server.signing.taking;

import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningOrder;
import app.denfold.core.signing.SigningTurn;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.core.signing.TypedName;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenSignature;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.asking.RunRequest;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.requests.KnownBy;
import app.denfold.server.signing.requests.MarkJson;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.ShownPageStore;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureQuestion;
import app.denfold.server.signing.requests.SignatureQuestionRepository;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.sealing.SealedCopies;
import app.denfold.server.signing.telling.TellSigners;
import app.denfold.server.signing.telling.TellTurns;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Takes turns, however whoever takes them came in. Of two at the same instant the second sees what the first did: each holds
 * the request while it works.
 */
@Service
public class TakeTurns {

    private final SignatureRequestRepository requests;
    private final SignatureQuestionRepository questions;
    private final ShownPageStore shown;
    private final SealSigned seal;
    private final TellSigners tell;
    private final TellTurns turns;
    private final RunRequest run;
    private final Documents documents;
    private final Contents contents;
    private final PracticeCalendar calendar;

    TakeTurns(
            SignatureRequestRepository requests,
            SignatureQuestionRepository questions,
            ShownPageStore shown,
            SealSigned seal,
            TellSigners tell,
            TellTurns turns,
            RunRequest run,
            Documents documents,
            Contents contents,
            PracticeCalendar calendar) {
        this.requests = requests;
        this.questions = questions;
        this.shown = shown;
        this.seal = seal;
        this.tell = tell;
        this.turns = turns;
        this.run = run;
        this.documents = documents;
        this.contents = contents;
        this.calendar = calendar;
    }

    /** @param values what is written into fields, by their positions among the fields of the turn, from 0 */
    public record Signature(
            MarkJson.@NotNull GivenMark signature,

            @NotNull @Size(max = 200) Map<Integer, @Size(max = 300) String> values) {}

    /**
     * Signs every paper of a turn.
     *
     * @throws Refusal when it cannot be taken now, a page was not shown, a paper was corrected, a field is empty, or the typed
     *     name is somebody else's
     */
    @Transactional
    public void sign(UUID turnId, Hand hand, Signature given) {
        SignatureRequest request = lock(turnId);
        SignatureTurn turn = open(request, turnId, Task.SIGN);
        request.papersOf(turn).forEach(this::requireSamePaper);
        if (!request.isAtDesk()) {
            requireAllShown(request, turn);
        }
        String name = hand.forName() == null ? turn.name() : hand.actor().name();
        requireOwnName(name, given.signature().typed());
        String mark = MarkJson.checked(given.signature());
        request.fill(new FillFields(turn, given.values(), name, calendar.today())::fill);
        request.take(turn, hand, given.signature().method(), mark, calendar.now());
        for (RequestPaper paper : request.papersOf(turn)) {
            documents.fillIn(paper.documentId(), written(request, turn, paper), hand.actor());
        }
        noteSignatures(request, turn, hand);
        follow(request, hand);
    }

    /** What the signer wrote on a paper, by what stands beside it. */
    private static Map<String, String> written(SignatureRequest request, SignatureTurn turn, RequestPaper paper) {
        Map<String, String> written = new HashMap<>();
        for (SignField field : fieldsOf(request, turn)) {
            if (field.kind() == SignField.Kind.TEXT
                    && field.documentId().equals(paper.documentId())
                    && field.label() != null
                    && field.value() != null) {
                written.put(field.label(), field.value());
            }
        }
        return written;
    }

    /** It came back signed with a pen, and somebody of the practice has looked at it. */
    @Transactional
    public void signedOnPaper(UUID turnId, Hand hand) {
        SignatureRequest request = lock(turnId);
        SignatureTurn turn = request.turn(turnId).orElseThrow(() -> Refusal.notFound("signature request"));
        if (request.state().isEnded()) {
            throw Refusal.conflict("signing-ended", words(SigningOrder.Hindrance.ENDED, request, turn));
        }
        if (turn.outcome() != SigningTurn.Outcome.TO_CONFIRM) {
            throw Refusal.conflict("nothing-back", "Nothing has come back on paper that waits for a look.");
        }
        request.papersOf(turn).forEach(this::requireSamePaper);
        request.take(turn, hand, "PAPER", null, calendar.now());
        noteSignatures(request, turn, hand);
        follow(request, hand);
    }

    /** A role has signed when everybody who is asked in it has: of two guardians one alone does not. */
    private void noteSignatures(SignatureRequest request, SignatureTurn turn, Hand hand) {
        List<SignatureTurn> same = request.turns().stream()
                .filter(t -> t.task() == Task.SIGN && t.role().equals(turn.role()))
                .toList();
        boolean isLast = same.stream().allMatch(SignatureTurn::isSigned);
        for (RequestPaper paper : request.papersOf(turn)) {
            if (isLast) {
                String names = same.stream()
                        .filter(t -> request.papersOf(t).contains(paper))
                        .map(SignatureTurn::signedName)
                        .collect(Collectors.joining(" and "));
                documents.sign(
                        paper.documentId(),
                        new GivenSignature(turn.role(), names, calendar.today()),
                        hand.actor(),
                        where(hand));
            } else {
                FiledDocument document = documents.document(paper.documentId());
                documents.changed(
                        hand.actor(),
                        document,
                        "signed",
                        "signed “" + document.name() + "” as " + turn.role() + where(hand));
            }
        }
    }

    /** In whose session it was done is told by the trail. */
    private static String where(Hand hand) {
        return hand.sessionOf() == null
                ? ""
                : hand.knownBy() == KnownBy.ON_PAPER
                        ? " on paper, seen by " + hand.sessionOf()
                        : ", at the desk of " + hand.sessionOf();
    }

    /** The approver passes the papers on. */
    @Transactional
    public void approve(UUID turnId, Hand hand) {
        SignatureRequest request = lock(turnId);
        SignatureTurn turn = open(request, turnId, Task.APPROVE);
        request.papersOf(turn).forEach(this::requireSamePaper);
        requireAllShown(request, turn);
        request.take(turn, hand, null, null, calendar.now());
        run.note(request, hand.actor(), "signing-approved", "looked through and passed on for signing", forWhom(hand));
        follow(request, hand);
    }

    private static String forWhom(Hand hand) {
        return hand.forName() == null ? "" : ", for " + hand.forName();
    }

    /** A signer says no, or an approver gives it back: the request ends. */
    @Transactional
    public void decline(UUID turnId, Hand hand, String reason) {
        SignatureRequest request = lock(turnId);
        SignatureTurn turn = open(request, turnId, null);
        request.refuse(turn, hand, reason.strip(), calendar.now());
        run.leaveScans(request, hand.actor());
        boolean approver = turn.task() == Task.APPROVE;
        run.note(
                request,
                hand.actor(),
                approver ? "signing-sent-back" : "signing-declined",
                approver ? "sent back before signing" : "declined to sign",
                forWhom(hand) + ": “" + reason.strip() + "”");
        follow(request, hand);
    }

    private void follow(SignatureRequest request, Hand hand) {
        if (request.isAtDesk()) {
            seal.later(request);
            return;
        }
        if (request.state() == RequestState.OPEN) {
            turns.turnsThatCame(request);
        } else {
            if (request.state() != RequestState.COMPLETE) {
                tell.endedEarly(request, hand.accountId());
            }
            tell.whoeverAsked(request, hand.accountId(), TellSigners.words(request.state()));
            seal.later(request);
        }
    }

    /** Somebody else signs instead. @throws Refusal when whoever asked does not allow it */
    @Transactional
    public void passOn(UUID turnId, Hand hand, AskDetails.AskedSigner to) {
        SignatureRequest request = lock(turnId);
        SignatureTurn turn = open(request, turnId, null);
        if (!request.mayPassOn()) {
            throw Refusal.conflict("not-passed-on", "Whoever asked wants you to sign, and nobody in your place.");
        }
        run.goesTo(request, turn, to, hand.actor());
    }

    /** A question to whoever asked; the turn stays. */
    @Transactional
    public void question(UUID turnId, Hand hand, String words) {
        SignatureRequest request = lock(turnId);
        SignatureTurn turn = open(request, turnId, null);
        questions.save(
                new SignatureQuestion(request.id(), turn.id(), hand.actor().name(), words.strip(), calendar.now()));
        run.note(request, hand.actor(), "signing-question", "asked before signing", ": “" + words.strip() + "”");
        tell.questioned(request, turn, words.strip());
    }

    private SignatureRequest lock(UUID turnId) {
        UUID id = requests.findOfTurn(turnId)
                .map(SignatureRequest::id)
                .orElseThrow(() -> Refusal.notFound("signature request"));
        return requests.lock(id).orElseThrow();
    }

    private SignatureTurn open(SignatureRequest request, UUID turnId, @Nullable Task task) {
        SignatureTurn turn = request.turn(turnId).orElseThrow(() -> Refusal.notFound("signature request"));
        request.hindrance(turn, calendar.today()).ifPresent(why -> {
            throw Refusal.conflict(code(why), words(why, request, turn));
        });
        if (task != null && turn.task() != task) {
            throw Refusal.conflict("other-task", "This turn is for something else. Look at the page again.");
        }
        return turn;
    }

    private static String code(SigningOrder.Hindrance why) {
        return switch (why) {
            case ENDED -> "signing-ended";
            case DONE_ALREADY -> "done-already";
            case NOT_YET -> "not-his-turn";
            case PAST_DUE -> "past-due";
        };
    }

    static String words(SigningOrder.Hindrance why, SignatureRequest request, SignatureTurn turn) {
        return switch (why) {
            case DONE_ALREADY -> done(turn);
            case NOT_YET -> "Others come before you. You are written to when it is your turn.";
            case PAST_DUE ->
                "The last day for signing was " + PracticeCalendar.words(request.lastDay())
                        + ". Ask the practice for more time.";
            case ENDED ->
                switch (request.state()) {
                    case COMPLETE -> "Everybody has signed.";
                    case EXPIRED -> "The day for signing has passed. Ask the practice if you would still like to sign.";
                    case REPLACED -> "This paper was corrected, and you are asked again for the corrected one.";
                    case DECLINED, SENT_BACK -> "Somebody said no, so nobody signs this paper any more.";
                    default -> "The practice has withdrawn this request; nothing is to be signed.";
                };
        };
    }

    private static String done(SignatureTurn turn) {
        return switch (turn.outcome()) {
            case DECLINED -> "You said no, and the practice has read why.";
            case SENT_BACK -> "You have sent this back.";
            case TO_CONFIRM -> "What you signed on paper has come in, and the practice looks at it.";
            default ->
                turn.task() == Task.APPROVE ? "You have passed this on already." : "You have signed this already.";
        };
    }

    /** What is signed is what was asked for: nobody brought other bytes since. */
    private void requireSamePaper(RequestPaper paper) {
        FiledDocument document = documents.document(paper.documentId());
        if (!SealedCopies.sourceOf(document).sha256().equals(paper.sourceSha256())) {
            throw Refusal.conflict(
                    "newer-version",
                    "A newer version of “" + document.name() + "” has come in meanwhile. Nothing was signed; end this"
                            + " signing, look at the newer version, and start again.");
        }
    }

    private void requireAllShown(SignatureRequest request, SignatureTurn turn) {
        for (RequestPaper paper : request.papersOf(turn)) {
            int pages = contents.content(paper.sourceSha256()).pages();
            List<Integer> seen = shown.pages(turn.id(), paper.documentId());
            if (seen.size() < pages) {
                throw Refusal.conflict(
                        "not-read",
                        "Look through all pages of “"
                                + documents.typeLabel(documents.document(paper.documentId())) + "” first: "
                                + seen.size() + " of " + pages + " were shown.");
            }
        }
    }

    /** Nobody signs with somebody else's name. */
    private static void requireOwnName(String signer, @Nullable String typed) {
        if (typed != null && !typed.isBlank() && !TypedName.isOf(signer, typed)) {
            throw Refusal.invalid(
                    "signature",
                    "“" + typed.strip() + "” is not the name of " + signer
                            + ", whose turn it is. If somebody else signs, end this signing and start again with them.");
        }
    }

    /** The values of the fields of a turn, in their order. */
    static List<SignField> fieldsOf(SignatureRequest request, SignatureTurn turn) {
        return request.fields().stream()
                .filter(f -> Objects.equals(f.turnId(), turn.id()))
                .toList();
    }
}
