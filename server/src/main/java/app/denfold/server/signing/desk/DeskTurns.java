package app.denfold.server.signing.desk;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Documents;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.taking.ShowTurns.Secret;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Turns of requests that are taken at the desk: whoever was asked by mail sits before a colleague after all. */
@Service
class DeskTurns {

    private final SignatureRequestRepository requests;
    private final Documents documents;
    private final DeskHands hands;
    private final TransactionTemplate reading;

    DeskTurns(
            SignatureRequestRepository requests,
            Documents documents,
            DeskHands hands,
            PlatformTransactionManager transactions) {
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
        this.requests = requests;
        this.documents = documents;
        this.hands = hands;
    }

    /** @throws Refusal when there is no such turn to sign, or the viewer may not see its papers or change nothing */
    SignatureTurn signed(Viewer viewer, UUID turnId) {
        return Objects.requireNonNull(reading.execute(t -> ofRequest(viewer, turnId)));
    }

    private SignatureTurn ofRequest(Viewer viewer, UUID turnId) {
        viewer.requireChange();
        SignatureRequest request = requests.findOfTurn(turnId)
                .filter(r -> !r.isAtDesk())
                .orElseThrow(() -> Refusal.notFound("signature request"));
        request.papers().forEach(p -> documents.visible(viewer, p.documentId()));
        return request.turn(turnId)
                .filter(t -> t.task() == Task.SIGN)
                .orElseThrow(() -> Refusal.notFound("signature request"));
    }

    /** @throws Refusal when it cannot be signed now, as somebody else comes first */
    void requireNow(Viewer viewer, UUID turnId) {
        reading.executeWithoutResult(t -> {
            SignatureTurn turn = ofRequest(viewer, turnId);
            if (!requests.findOfTurn(turnId).orElseThrow().whoseTurn().contains(turn)) {
                throw Refusal.conflict("not-his-turn", "It is not the turn of " + turn.name() + ".");
            }
        });
    }

    /** A colleague signs with the own password, whoever's session it is. */
    Secret secretOf(SignatureTurn turn) {
        return turn.accountId() == null ? Secret.NONE : Secret.PASSWORD;
    }

    /** @throws Refusal when it is a colleague's turn, who says no in the own session */
    Hand handToDecline(Viewer viewer, UUID turnId) {
        SignatureTurn turn = signed(viewer, turnId);
        if (turn.accountId() != null) {
            throw Refusal.conflict("own-session", turn.name() + " says no where they are signed in themselves.");
        }
        return hands.of(viewer, turn, null, "");
    }

    /** @throws Refusal when a colleague signs and the password is wrong */
    Hand hand(Viewer viewer, UUID turnId, @Nullable String password, String from) {
        return hands.of(viewer, signed(viewer, turnId), password, from);
    }
}
