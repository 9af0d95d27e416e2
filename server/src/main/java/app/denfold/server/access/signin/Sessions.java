package app.denfold.server.access.signin;

import app.denfold.server.access.SignedInAccount;
import app.denfold.server.access.Viewer;
import app.denfold.server.practice.PracticeSettings;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.authentication.logout.SecurityContextLogoutHandler;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;

/** Begins and ends sessions; a new one never takes over the id of an older one. */
@Component
class Sessions {

    private final HttpSessionSecurityContextRepository contexts = new HttpSessionSecurityContextRepository();

    private final PracticeSettings settings;

    Sessions(PracticeSettings settings) {
        this.settings = settings;
    }

    void begin(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                new SignedInAccount(viewer.accountId()),
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + viewer.role().name()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        HttpSession session = request.getSession();
        session.setAttribute(SessionLimitFilter.BEGUN, System.currentTimeMillis());
        session.setMaxInactiveInterval((int) settings.sessionLimits().idle().toSeconds());
    }

    void end(HttpServletRequest request, HttpServletResponse response) {
        new SecurityContextLogoutHandler()
                .logout(request, response, SecurityContextHolder.getContext().getAuthentication());
    }
}
