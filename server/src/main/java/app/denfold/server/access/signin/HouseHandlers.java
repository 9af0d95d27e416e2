package app.denfold.server.access.signin;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.house.HouseSignIn;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.stereotype.Component;

/** What happens when a browser comes back from the house's directory. */
@Component
class HouseHandlers implements AuthenticationSuccessHandler, AuthenticationFailureHandler {

    private static final Logger LOG = LoggerFactory.getLogger(HouseHandlers.class);

    private final HouseSignIn house;
    private final Entrance entrance;

    HouseHandlers(HouseSignIn house, Entrance entrance) {
        this.house = house;
        this.entrance = entrance;
    }

    @Override
    public void onAuthenticationSuccess(
            HttpServletRequest request, HttpServletResponse response, Authentication authentication)
            throws IOException {
        Optional<Viewer> holder =
                authentication.getPrincipal() instanceof OidcUser user ? house.holder(user) : Optional.empty();
        holder.ifPresent(viewer -> entrance.letIn(viewer, " through the house’s directory", request, response));
        response.sendRedirect(holder.isPresent() ? "/" : "/?house=unknown");
    }

    @Override
    public void onAuthenticationFailure(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException why) throws IOException {
        LOG.warn("Signing in through the house's directory failed: {}", why.getMessage());
        response.sendRedirect("/?house=failed");
    }
}
