package app.denfold.server.colleagues;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.practice.PracticeSettings;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sends a link to whoever forgot a password; whether an address has an account is told to nobody. */
@Service
class ForgottenPassword {

    private final Accounts accounts;
    private final Outbox outbox;
    private final PracticeSettings settings;
    private final String address;

    ForgottenPassword(
            Accounts accounts, Outbox outbox, PracticeSettings settings, @Value("${denfold.address}") String address) {
        this.accounts = accounts;
        this.outbox = outbox;
        this.settings = settings;
        this.address = address;
    }

    /** At most one mail in five minutes goes to an address; the password that is forgotten goes on holding until then. */
    @Transactional
    void ask(String email) {
        accounts.viewerByEmail(email)
                .flatMap(v -> accounts.viewer(v.accountId()))
                .filter(v -> accounts.mayBeSentALink(v.accountId()))
                .ifPresent(this::send);
    }

    private void send(Viewer holder) {
        String link = address + "/invitation/" + accounts.issueLink(holder.accountId());
        String body = "Dear " + holder.name() + ",\n\nsomebody, most likely you, asked for a new password at "
                + settings.name() + ".\n\nOpen this link once, within seven days, to choose one:\n\n  " + link
                + "\n\nIf you did not ask, do nothing: your password stays as it is.\n\nKind regards,\n"
                + settings.look().closing();
        outbox.queue(holder, Message.ofNoFile("account", holder.email(), "A new password at " + settings.name(), body));
    }
}
