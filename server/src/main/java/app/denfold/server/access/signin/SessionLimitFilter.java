package app.denfold.server.access.signin;

import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.SessionLimits;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Instant;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Ends sessions that last longer than the practice allows, and lets open ones follow a changed limit. Time is the machine's
 * own, as for all that Spring Session counts.
 */
final class SessionLimitFilter extends OncePerRequestFilter {

    /** Name of the attribute that holds when a session was begun by signing in, in milliseconds. */
    static final String BEGUN = "denfold.begun";

    private final PracticeSettings settings;

    SessionLimitFilter(PracticeSettings settings) {
        this.settings = settings;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getRequestURI().startsWith("/api/") ? request.getSession(false) : null;
        if (session != null && session.getAttribute(BEGUN) instanceof Long begun) {
            SessionLimits limits = settings.sessionLimits();
            int idle = (int) limits.idle().toSeconds();
            if (Instant.now().isAfter(Instant.ofEpochMilli(begun).plus(limits.most()))) {
                session.invalidate();
            } else if (session.getMaxInactiveInterval() != idle) {
                session.setMaxInactiveInterval(idle);
            }
        }
        chain.doFilter(request, response);
    }
}
