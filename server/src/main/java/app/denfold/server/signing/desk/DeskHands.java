package app.denfold.server.signing.desk;

import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.secondfactor.ConfirmOneself;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.requests.KnownBy;
import app.denfold.server.signing.requests.SignatureTurn;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Who signs at the desk, and how that is known. */
@Component
class DeskHands {

    private final Accounts accounts;
    private final ConfirmOneself confirm;

    DeskHands(Accounts accounts, ConfirmOneself confirm) {
        this.accounts = accounts;
        this.confirm = confirm;
    }

    /** A colleague signs as himself alone: his password says that it is he. */
    Hand of(Viewer viewer, SignatureTurn turn, @Nullable String password, String from) {
        if (turn.accountId() == null) {
            return new Hand(Actor.system(turn.name()), null, null, KnownBy.AT_DESK, viewer.name(), null);
        }
        Viewer colleague = accounts.viewer(turn.accountId())
                .orElseThrow(() -> Refusal.conflict(
                        "account-closed", "The account of " + turn.name() + " is closed, so nobody can sign with it."));
        if (password == null || password.isBlank()) {
            throw Refusal.invalid("code", turn.name() + " signs with their own password. Give it, please.");
        }
        confirm.password(colleague, password, from);
        return new Hand(colleague.actor(), colleague.accountId(), null, KnownBy.OWN_PASSWORD, viewer.name(), null);
    }
}
