package app.denfold.server.access.signin;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.secondfactor.SecondFactors;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Lets in who has shown all that his account asks for; who has shown the password alone comes half-way. */
@Component
class Entrance {

    /** So long after the password the code may follow. */
    private static final Duration HALF_WAY = Duration.ofMinutes(10);

    private static final String WHO = "denfold.halfway";
    private static final String SINCE = "denfold.halfway-since";

    private final Accounts accounts;
    private final SecondFactors factors;
    private final Sessions sessions;
    private final PracticeCalendar calendar;

    Entrance(Accounts accounts, SecondFactors factors, Sessions sessions, PracticeCalendar calendar) {
        this.accounts = accounts;
        this.factors = factors;
        this.sessions = sessions;
        this.calendar = calendar;
    }

    /**
     * The password was right.
     *
     * @throws Refusal {@code code-needed} or {@code second-factor-needed} when more is to be shown; the session remembers
     *     how far it came
     */
    Viewer withPassword(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        boolean isOn = factors.isOn(viewer.accountId());
        if (!isOn && !factors.isDemanded(viewer.role())) {
            return letIn(viewer, "", request, response);
        }
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        HttpSession session = request.getSession();
        session.setAttribute(WHO, viewer.accountId().toString());
        session.setAttribute(SINCE, calendar.now().toEpochMilli());
        throw isOn
                ? Refusal.moreToShow("code-needed", "Type the code that your device shows.")
                : Refusal.moreToShow("second-factor-needed", "Your practice asks for a second factor. Set it up now.");
    }

    /** @throws Refusal when the session did not come half-way, or too long ago */
    Viewer halfWay(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        Instant now = calendar.now();
        if (session != null
                && session.getAttribute(WHO) instanceof String who
                && session.getAttribute(SINCE) instanceof Long since
                && now.isBefore(Instant.ofEpochMilli(since).plus(HALF_WAY))) {
            return accounts.viewer(UUID.fromString(who)).orElseThrow(Entrance::again);
        }
        throw again();
    }

    private static Refusal again() {
        return Refusal.notSignedIn("That took too long. Sign in once more with your password.");
    }

    /** The code that follows the password. @throws Refusal when it is wrong */
    Viewer withCode(String code, HttpServletRequest request, HttpServletResponse response) {
        Viewer viewer = halfWay(request);
        accounts.checkOnce(
                viewer,
                request.getRemoteAddr(),
                () -> factors.takes(viewer.accountId(), code),
                "That code is not right. Type the one your device shows now, or a recovery code.");
        return letIn(viewer, " with a code", request, response);
    }

    /** Everything that is asked for was shown. @param how as it follows “signed in” in the trail */
    Viewer letIn(Viewer viewer, String how, HttpServletRequest request, HttpServletResponse response) {
        Viewer in = accounts.cameIn(viewer.accountId(), how);
        sessions.begin(in, request, response);
        HttpSession session = request.getSession();
        session.removeAttribute(WHO);
        session.removeAttribute(SINCE);
        return in;
    }
}
