package app.denfold.server.signing.taking;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.secondfactor.ConfirmOneself;
import app.denfold.server.access.secondfactor.ConfirmOneself.Shown;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.requests.KnownBy;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.taking.ShowTurns.Secret;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What waits for an account, and who it is when it takes a turn: its holder, or a deputy for somebody away. */
@Service
public class MyTurns {

    private static final int MOST = 500;

    private final SignatureRequestRepository requests;
    private final Accounts accounts;
    private final ConfirmOneself confirm;
    private final PracticeSettings settings;
    private final Documents documents;
    private final PersonFiles files;
    private final PracticeCalendar calendar;

    MyTurns(
            SignatureRequestRepository requests,
            Accounts accounts,
            ConfirmOneself confirm,
            PracticeSettings settings,
            Documents documents,
            PersonFiles files,
            PracticeCalendar calendar) {
        this.requests = requests;
        this.accounts = accounts;
        this.confirm = confirm;
        this.settings = settings;
        this.documents = documents;
        this.files = files;
        this.calendar = calendar;
    }

    /**
     * Something that waits for the viewer, or that he has signed.
     *
     * @param forName for whom he stands in; null for himself
     * @param now whether it is his turn now; false of what he has done
     */
    public record MyTurn(
            UUID turnId,
            UUID requestId,
            Task task,
            String person,
            List<String> papers,
            String askedBy,
            Instant since,
            @Nullable LocalDate dueOn,
            @Nullable String message,
            @Nullable String forName,
            boolean now) {}

    /** Those whose turn is now, the oldest first; for a guest also what he signed. */
    @Transactional(readOnly = true)
    public List<MyTurn> of(Viewer viewer) {
        Set<UUID> actsFor = viewer.role() == Role.GUEST ? Set.of(viewer.accountId()) : accounts.actsFor(viewer);
        List<MyTurn> mine = new ArrayList<>();
        waiting(viewer, actsFor).forEach(w -> mine.add(myTurn(viewer, w.request(), w.turn(), true)));
        if (viewer.role() == Role.GUEST) {
            for (SignatureRequest request : requests.findAskedByMail(viewer.email(), Limit.of(MOST))) {
                request.turns().stream()
                        .filter(t -> t.isSigned() && isMine(t, viewer, actsFor))
                        .forEach(t -> mine.add(myTurn(viewer, request, t, false)));
            }
        }
        return mine;
    }

    /** How many papers wait for the viewer's signature or his look. */
    @Transactional(readOnly = true)
    public int count(Viewer viewer) {
        return waiting(viewer, accounts.actsFor(viewer)).size();
    }

    private record Waiting(SignatureRequest request, SignatureTurn turn) {}

    private List<Waiting> waiting(Viewer viewer, Set<UUID> actsFor) {
        return requests.findWaitingFor(actsFor, viewer.email()).stream()
                .distinct()
                .flatMap(r -> r.whoseTurn().stream()
                        .filter(t -> isMine(t, viewer, actsFor)
                                && r.hindrance(t, calendar.today()).isEmpty())
                        .map(t -> new Waiting(r, t)))
                .toList();
    }

    private MyTurn myTurn(Viewer viewer, SignatureRequest request, SignatureTurn turn, boolean now) {
        List<FiledDocument> papers = request.papersOf(turn).stream()
                .map(p -> documents.document(p.documentId()))
                .toList();
        return new MyTurn(
                turn.id(),
                request.id(),
                turn.task(),
                files.file(papers.get(0).fileId()).name(),
                papers.stream().map(documents::typeLabel).toList(),
                request.askedBy(),
                turn.toldAt() == null ? request.askedAt() : turn.toldAt(),
                request.dueOn(),
                request.message(),
                forName(viewer, turn),
                now);
    }

    private static boolean isMine(SignatureTurn turn, Viewer viewer, Set<UUID> actsFor) {
        return turn.accountId() != null
                ? actsFor.contains(turn.accountId())
                : viewer.email().equalsIgnoreCase(turn.address());
    }

    private static @Nullable String forName(Viewer viewer, SignatureTurn turn) {
        return turn.accountId() == null || turn.accountId().equals(viewer.accountId()) ? null : turn.name();
    }

    /** A turn that is the viewer's. @throws Refusal when it is somebody else's */
    private SignatureTurn mine(Viewer viewer, UUID turnId) {
        SignatureTurn turn = requests.findOfTurn(turnId)
                .flatMap(r -> r.turn(turnId))
                .orElseThrow(() -> Refusal.notFound("signature request"));
        Set<UUID> actsFor = viewer.role() == Role.GUEST ? Set.of(viewer.accountId()) : accounts.actsFor(viewer);
        if (!isMine(turn, viewer, actsFor)) {
            throw Refusal.notFound("signature request");
        }
        return turn;
    }

    @Transactional(readOnly = true)
    public void requireMine(Viewer viewer, UUID turnId) {
        mine(viewer, turnId);
    }

    @Transactional(readOnly = true)
    public @Nullable String forWhom(Viewer viewer, UUID turnId) {
        return forName(viewer, mine(viewer, turnId));
    }

    /** What the viewer shows once more before signing. */
    public Secret secretOf(Viewer viewer) {
        return !settings.confirmSigning() || !viewer.role().worksHere()
                ? Secret.NONE
                : confirm.asked(viewer) == Shown.PASSWORD ? Secret.PASSWORD : Secret.SECOND_FACTOR;
    }

    /**
     * How the viewer is known when he signs. Outside of transactions: a wrong secret is remembered.
     *
     * @param secret null when none was given
     * @throws Refusal when one is needed and it is wrong
     */
    public KnownBy known(Viewer viewer, @Nullable String secret, String from) {
        if (secretOf(viewer) == Secret.NONE) {
            return KnownBy.ACCOUNT;
        }
        if (secret == null || secret.isBlank()) {
            throw Refusal.invalid("code", "is needed once more before you sign.");
        }
        return confirm.confirm(viewer, secret, from) == Shown.PASSWORD ? KnownBy.OWN_PASSWORD : KnownBy.SECOND_FACTOR;
    }

    /** @throws Refusal when the turn is somebody else's */
    @Transactional(readOnly = true)
    public Hand hand(Viewer viewer, UUID turnId, KnownBy known) {
        return new Hand(viewer.actor(), viewer.accountId(), forName(viewer, mine(viewer, turnId)), known, null, null);
    }
}
