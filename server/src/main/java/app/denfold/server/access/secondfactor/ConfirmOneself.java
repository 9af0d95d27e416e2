package app.denfold.server.access.secondfactor;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.problems.Refusal;
import org.springframework.stereotype.Component;

/** Asks an account once more for what only its holder knows or has. */
@Component
public class ConfirmOneself {

    private final Accounts accounts;
    private final SecondFactors factors;

    ConfirmOneself(Accounts accounts, SecondFactors factors) {
        this.accounts = accounts;
        this.factors = factors;
    }

    /** What an account shows. */
    public enum Shown {
        PASSWORD,
        SECOND_FACTOR
    }

    /** What the account is asked for: a code where it has a second factor, or else the password. */
    public Shown asked(Viewer viewer) {
        return factors.isOn(viewer.accountId()) ? Shown.SECOND_FACTOR : Shown.PASSWORD;
    }

    /**
     * @param secret the code or the password
     * @param from address of the network
     * @throws Refusal when it is wrong, or there were too many failures lately; a failure is remembered
     */
    public Shown confirm(Viewer viewer, String secret, String from) {
        Shown asked = asked(viewer);
        if (asked == Shown.SECOND_FACTOR) {
            accounts.checkOnce(
                    viewer,
                    from,
                    () -> factors.takes(viewer.accountId(), secret),
                    "This is not the code that the device of " + viewer.name() + " shows now.");
        } else {
            password(viewer, secret, from);
        }
        return asked;
    }

    /** Whatever else the account has, its password. @throws Refusal as above */
    public void password(Viewer viewer, String password, String from) {
        accounts.checkOnce(
                viewer,
                from,
                () -> accounts.isPassword(viewer.accountId(), password),
                "This is not the password of " + viewer.name() + ".");
    }
}
