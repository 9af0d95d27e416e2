package app.denfold.server.signing.requests;

import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.content.destroying.UsesContent;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Component;

/** Pages that came back signed with a pen: a request needs them as long as one of its papers is there. */
@Component
public class SignedScans implements UsesContent {

    private final SignatureRequestRepository requests;
    private final Arrivals arrivals;

    SignedScans(SignatureRequestRepository requests, Arrivals arrivals) {
        this.requests = requests;
        this.arrivals = arrivals;
    }

    @Override
    public boolean uses(String sha256) {
        return requests.existsWithScan(sha256);
    }

    /** A request has ended: what came back for it and nobody has looked at waits in Arrivals again. @return whether anything does */
    public boolean leaveUnseen(SignatureRequest request) {
        List<SignatureTurn> unseen = request.turns().stream()
                .filter(t -> t.outcome() == Outcome.TO_CONFIRM)
                .toList();
        unseen.forEach(t -> leave(request, t));
        return !unseen.isEmpty();
    }

    /** What came back for a turn is not it: it waits in Arrivals again, and the signer is asked as before. */
    public void leave(SignatureRequest request, SignatureTurn turn) {
        arrivals.waitAgain(
                Objects.requireNonNull(turn.scanSha256()),
                request.papersOf(turn).get(0).documentId());
        turn.notIt();
    }
}
