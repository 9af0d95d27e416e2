package app.denfold.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * A session that belongs to a signing at the desk: until a colleague unlocks it with the password, nothing else of the
 * practice is shown or done in it.
 */
public final class DeskLock {

    private static final String LOCKED_TO = "denfold.desk-lock";

    private DeskLock() {}

    /** @param signings that may be seen and signed, one after the other */
    public static void lock(HttpServletRequest request, Collection<UUID> signings) {
        request.getSession()
                .setAttribute(LOCKED_TO, signings.stream().map(UUID::toString).collect(Collectors.joining(",")));
    }

    public static void unlock(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.removeAttribute(LOCKED_TO);
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

    /** Whether the session is not locked, or is to be used so all the same. */
    public static boolean allows(HttpServletRequest request) {
        List<UUID> signings = lockedTo(request);
        if (signings.isEmpty()) {
            return true;
        }
        String method = request.getMethod();
        String address = request.getRequestURI();
        boolean mine = signings.stream().anyMatch(id -> {
            String own = "/api/desk-signings/" + id;
            return address.equals(own) || address.startsWith(own + "/pages/") || address.equals(own + "/signatures");
        });
        return mine
                || address.equals("/api/desk-unlock")
                || address.equals("/api/session") && !method.equals("POST")
                || address.startsWith("/api/practice") && method.equals("GET");
    }
}
