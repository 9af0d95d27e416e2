package app.denfold.server.access;

import app.denfold.server.problems.Refusal;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A session that belongs to a signing at the desk: until a colleague unlocks it with the password, nothing else of the
 * practice is shown or done in it.
 */
public final class DeskLock {

    private static final String LOCKED_TO = "denfold.desk-lock";
    private static final String LOCKED_TO_TURN = "denfold.desk-lock-turn";

    private DeskLock() {}

    /** @param signings that may be seen and signed, one after the other */
    public static void lock(HttpServletRequest request, Collection<UUID> signings) {
        request.getSession()
                .setAttribute(LOCKED_TO, signings.stream().map(UUID::toString).collect(Collectors.joining(",")));
    }

    /** @param turn of a request, which may be looked at and signed */
    public static void lockToTurn(HttpServletRequest request, UUID turn) {
        request.getSession().setAttribute(LOCKED_TO_TURN, turn.toString());
    }

    public static void unlock(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.removeAttribute(LOCKED_TO);
            session.removeAttribute(LOCKED_TO_TURN);
        }
    }

    /** To which signings the session belongs; none when it is not locked. */
    public static List<UUID> lockedTo(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        Object locked = session == null ? null : session.getAttribute(LOCKED_TO);
        return locked == null
                ? List.of()
                : Arrays.stream(locked.toString().split(","))
                        .map(UUID::fromString)
                        .toList();
    }

    /** To which turn of a request the session belongs; null when it does not. */
    public static @Nullable UUID lockedToTurn(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        Object locked = session == null ? null : session.getAttribute(LOCKED_TO_TURN);
        return locked == null ? null : UUID.fromString(locked.toString());
    }

    /** @throws Refusal when the session does not belong to this turn: then nobody knows before whom the screen stands */
    public static void requireTurn(HttpServletRequest request, UUID turn) {
        if (!turn.equals(lockedToTurn(request))) {
            throw Refusal.conflict("not-handed-over", "Hand the screen over first: choose “Sign here at the desk”.");
        }
    }

    /** Whether the session is not locked, or is to be used so all the same. */
    public static boolean allows(HttpServletRequest request) {
        List<UUID> signings = lockedTo(request);
        UUID turn = lockedToTurn(request);
        if (signings.isEmpty() && turn == null) {
            return true;
        }
        String method = request.getMethod();
        String address = request.getRequestURI();
        boolean mine = signings.stream().anyMatch(id -> {
            String own = "/api/desk-signings/" + id;
            return address.equals(own) || address.startsWith(own + "/pages/") || address.equals(own + "/signatures");
        });
        String ofTurn = "/api/desk-turns/" + turn;
        return mine
                || turn != null
                        && (address.equals(ofTurn)
                                || address.startsWith(ofTurn + "/papers/")
                                || address.equals(ofTurn + "/sign")
                                || address.equals(ofTurn + "/decline"))
                || address.equals("/api/desk-unlock")
                || address.equals("/api/session") && !method.equals("POST")
                || address.startsWith("/api/practice") && method.equals("GET");
    }
}
