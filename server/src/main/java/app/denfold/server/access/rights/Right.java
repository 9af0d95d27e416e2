package app.denfold.server.access.rights;

import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;

/** What an account must be to use an address. */
enum Right {
    /** Nobody need be signed in. */
    EVERYBODY,
    /** Any person's account, also a guest's. */
    ACCOUNT,
    /** A guest's account, or that of somebody who works here, who has a portal for his own file. */
    PORTAL,
    /** Somebody who works here, also who looks only. */
    LOOK,
    /** Somebody who works here and may change files. */
    CHANGE,
    ADMINISTER;

    boolean isHeldBy(Viewer viewer) {
        return switch (this) {
            case EVERYBODY -> true;
            case ACCOUNT -> viewer.role() != Role.PROGRAM;
            case PORTAL -> viewer.role() == Role.GUEST || viewer.role().worksHere();
            case LOOK -> viewer.role().worksHere();
            case CHANGE -> viewer.role().worksHere() && viewer.mayChange();
            case ADMINISTER -> viewer.isAdministrator();
        };
    }

    /** What somebody is told who has another right than this. */
    String refusal(Viewer viewer) {
        return this == ADMINISTER && viewer.role().worksHere()
                ? "Only an administrator may do this."
                : this == CHANGE && viewer.role().worksHere()
                        ? "Your account may look at files but not change them."
                        : "Your account may not do this.";
    }
}
