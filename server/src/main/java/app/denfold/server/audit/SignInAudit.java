package app.denfold.server.audit;

import app.denfold.server.access.AccessEvents;
import app.denfold.server.access.Actor;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Writes signing in and out into the trail. */
@Component
class SignInAudit {

    private final AuditTrail trail;

    SignInAudit(AuditTrail trail) {
        this.trail = trail;
    }

    @EventListener
    void on(AccessEvents.SignedIn event) {
        trail.record(AuditEntry.general(event.who(), "signed-in", "signed in" + event.how()));
    }

    @EventListener
    void on(AccessEvents.SignedOut event) {
        trail.record(AuditEntry.general(event.who(), "signed-out", "signed out"));
    }

    @EventListener
    void on(AccessEvents.SignInRefused event) {
        trail.record(AuditEntry.general(
                Actor.system("sign-in"), "sign-in-refused", "refused to let " + event.known() + " in: " + event.why()));
    }

    @EventListener
    void on(AccessEvents.AccountChanged event) {
        trail.record(AuditEntry.general(
                event.by(),
                "account-changed",
                "changed the account of " + event.name() + " (" + event.email() + "): " + event.now()));
    }

    @EventListener
    void on(AccessEvents.AccountClosed event) {
        trail.record(AuditEntry.general(
                event.by(), "account-closed", "closed the account of " + event.name() + " (" + event.email() + ")"));
    }

    @EventListener
    void on(AccessEvents.AccountOpened event) {
        trail.record(AuditEntry.general(
                event.by(),
                "account-opened",
                "opened the account of " + event.name() + " (" + event.email() + ") again"));
    }

    @EventListener
    void on(AccessEvents.TeamsChanged event) {
        trail.record(AuditEntry.general(event.by(), "set-up", "changed the teams; there are " + event.howMany()));
    }

    @EventListener
    void on(AccessEvents.KeyMade event) {
        trail.record(AuditEntry.general(
                event.by(),
                "key-made",
                "made the key “" + event.name() + "” for programs: " + event.scopes() + ", " + event.until()));
    }

    @EventListener
    void on(AccessEvents.KeyEnded event) {
        trail.record(AuditEntry.general(event.by(), "key-ended", "ended the key “" + event.name() + "” for programs"));
    }

    @EventListener
    void on(AccessEvents.KeyUsed event) {
        trail.record(AuditEntry.general(event.program(), "key-used", "asked with its key: " + event.what()));
    }

    @EventListener
    void on(AccessEvents.PasswordSet event) {
        trail.record(AuditEntry.general(event.who(), "password-set", "set a password through a one-time link"));
    }

    @EventListener
    void on(AccessEvents.SecondFactorChanged event) {
        trail.record(AuditEntry.general(event.by(), "second-factor", event.what()));
    }
}
