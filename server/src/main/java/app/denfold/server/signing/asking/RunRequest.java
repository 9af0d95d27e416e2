package app.denfold.server.signing.asking;

import app.denfold.core.signing.RequestState;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.links.SigningLinks;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.ShownPageStore;
import app.denfold.server.signing.requests.SignatureQuestion;
import app.denfold.server.signing.requests.SignatureQuestionRepository;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.requests.SignedScans;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.telling.TellSigners;
import app.denfold.server.signing.telling.TellTurns;
import java.time.LocalDate;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What can be done with a request while it is open, by whoever asked or a colleague who may change its papers. */
@Service
public class RunRequest {

    private final SignatureRequestRepository requests;
    private final SignatureQuestionRepository questions;
    private final ShownPageStore shown;
    private final SigningLinks links;
    private final SealSigned seal;
    private final SignedScans scans;
    private final TellSigners tell;
    private final TellTurns turns;
    private final WhoSigns who;
    private final Documents documents;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    RunRequest(
            SignatureRequestRepository requests,
            SignatureQuestionRepository questions,
            ShownPageStore shown,
            SigningLinks links,
            SealSigned seal,
            SignedScans scans,
            TellSigners tell,
            TellTurns turns,
            WhoSigns who,
            Documents documents,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.requests = requests;
        this.questions = questions;
        this.shown = shown;
        this.links = links;
        this.seal = seal;
        this.scans = scans;
        this.tell = tell;
        this.turns = turns;
        this.who = who;
        this.documents = documents;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** Takes it back; signatures already given are kept on sealed copies. @param reason null for none */
    @Transactional
    public void withdraw(Viewer viewer, UUID id, @Nullable String reason) {
        SignatureRequest request = open(viewer, id);
        end(request, RequestState.WITHDRAWN, viewer.actor(), WhoSigns.blankToNull(reason));
        note(
                request,
                viewer.actor(),
                request.isAtDesk() ? "signing-ended" : "signing-withdrawn",
                request.isAtDesk() ? "ended the signing of" : "no longer asks for signatures on",
                request.isAtDesk() ? " early" : "");
    }

    /** Ends it before everybody signed, tells who is concerned, and has what was signed sealed. */
    public void end(SignatureRequest request, RequestState as, Actor by, @Nullable String reason) {
        request.end(as, by.name(), reason, calendar.now());
        leaveScans(request, by);
        tell.endedEarly(request, by.id());
        tell.whoeverAsked(request, by.id(), TellSigners.words(as));
        seal.later(request);
    }

    /** What came back on paper and was not looked at before the request ended is for whoever sees to Arrivals. */
    public void leaveScans(SignatureRequest request, Actor by) {
        if (scans.leaveUnseen(request)) {
            note(request, by, "signing-scan-left", "put back into Arrivals what came back signed with a pen for", "");
        }
    }

    /** @throws Refusal when the day is past */
    @Transactional
    public void due(Viewer viewer, UUID id, @Nullable LocalDate day) {
        SignatureRequest request = open(viewer, id);
        if (day != null && day.isBefore(calendar.today())) {
            throw Refusal.invalid("dueOn", "Choose a day that is not past.");
        }
        if (day == null && request.lastDay() != null) {
            throw Refusal.invalid("dueOn", "This request ends on its day; choose a later one.");
        }
        request.due(day);
        note(
                request,
                viewer.actor(),
                "signing-extended",
                day == null ? "set no day any more for signing" : "moved the day for signing",
                day == null ? "" : " to " + PracticeCalendar.words(day));
    }

    /** Writes once more to somebody whose turn it is. @throws Refusal when it is not, or he was written to today */
    @Transactional
    public void remind(Viewer viewer, UUID id, UUID turnId) {
        SignatureRequest request = open(viewer, id);
        SignatureTurn turn = waiting(request, turnId);
        if (turn.address() == null && turn.accountId() == null) {
            throw Refusal.conflict(
                    "no-address", "No mail address of " + turn.name() + " is known. Change the signer and add one.");
        }
        LocalDate today = calendar.today();
        if (turn.remindedAt() != null && calendar.dayOf(turn.remindedAt()).equals(today)) {
            throw Refusal.conflict("reminded-today", turn.name() + " was reminded today already.");
        }
        turns.remind(request, turn);
        note(request, viewer.actor(), "signer-reminded", "reminded " + turn.name() + " to sign", "");
    }

    private static SignatureTurn waiting(SignatureRequest request, UUID turnId) {
        SignatureTurn turn = request.turn(turnId).orElseThrow(() -> Refusal.notFound("signer of this request"));
        if (!request.whoseTurn().contains(turn)) {
            throw Refusal.conflict("not-his-turn", "It is not the turn of " + turn.name() + " now.");
        }
        return turn;
    }

    /** Somebody else in the place of one who has not signed. Links sent to the former one end. */
    @Transactional
    public void changeSigner(Viewer viewer, UUID id, UUID turnId, AskDetails.AskedSigner to) {
        SignatureRequest request = open(viewer, id);
        SignatureTurn turn = request.turn(turnId).orElseThrow(() -> Refusal.notFound("signer of this request"));
        if (turn.outcome().isOver()) {
            throw Refusal.conflict("done-already", turn.name() + " has done this already.");
        }
        goesTo(request, turn, to, viewer.actor());
    }

    /** @param by who names somebody else: whoever asked, or the signer himself */
    public void goesTo(SignatureRequest request, SignatureTurn turn, AskDetails.AskedSigner to, Actor by) {
        FiledDocument first = documents.document(request.papers().get(0).documentId());
        SignatureTurn newer = who.successor(turn, to, files.file(first.fileId()));
        String former = turn.name();
        turn.goesTo(newer.accountId(), newer.name(), newer.address(), by.name());
        links.endAll(turn.id());
        shown.forget(turn.id());
        note(request, by, "signer-changed", "put " + turn.name() + " in the place of " + former + " for signing", "");
        turns.turnsThatCame(request);
    }

    @Transactional
    public void answer(Viewer viewer, UUID id, UUID questionId, String words) {
        SignatureRequest request = open(viewer, id);
        SignatureQuestion question = questions
                .findById(questionId)
                .filter(q -> q.requestId().equals(id))
                .orElseThrow(() -> Refusal.notFound("question"));
        question.answer(words.strip(), viewer.name(), calendar.now());
        request.turn(question.turnId()).ifPresent(turn -> tell.answered(request, turn, question));
        note(request, viewer.actor(), "signing-answered", "answered " + question.askedBy() + " about", "");
    }

    /**
     * An open request that the viewer may change.
     *
     * @throws Refusal when there is none, or he may not see all its papers and did not ask himself
     */
    private SignatureRequest open(Viewer viewer, UUID id) {
        viewer.requireChange();
        SignatureRequest request = requests.lock(id).orElseThrow(() -> Refusal.notFound("signature request"));
        for (RequestPaper paper : request.papers()) {
            documents.visible(viewer, paper.documentId());
        }
        if (request.state().isEnded()) {
            throw Refusal.conflict("signing-ended", request.isAtDesk() ? "This signing has ended." : ended(request));
        }
        return request;
    }

    private static String ended(SignatureRequest request) {
        return "This request has ended: " + TellSigners.words(request.state()).toLowerCase(Locale.ROOT) + ".";
    }

    /** One line of the trail for each paper. @param words before its name @param after behind it */
    public void note(SignatureRequest request, Actor by, String action, String words, String after) {
        for (RequestPaper paper : request.papers()) {
            FiledDocument document = documents.document(paper.documentId());
            trail.record(new AuditEntry(
                    by, action, document.fileId(), document.id(), words + " “" + document.name() + "”" + after));
        }
    }
}
