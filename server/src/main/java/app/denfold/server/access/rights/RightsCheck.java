package app.denfold.server.access.rights;

import app.denfold.server.access.DeskLock;
import app.denfold.server.access.KeyScope;
import app.denfold.server.access.Role;
import app.denfold.server.access.SignedInAccount;
import app.denfold.server.access.SignedInProgram;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Lazy;
import org.springframework.security.authentication.InsufficientAuthenticationException;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.authorization.AuthorizationResult;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;

/** Holds every request for the API against {@link RightsTable}, by what the account may now. */
@Component
public class RightsCheck implements AuthorizationManager<RequestAuthorizationContext> {

    private final Accounts accounts;

    RightsCheck(@Lazy Accounts accounts) {
        this.accounts = accounts;
    }

    /** @param words what the person is told */
    public record Refused(String words) implements AuthorizationResult {
        @Override
        public boolean isGranted() {
            return false;
        }
    }

    private record Granted() implements AuthorizationResult {
        @Override
        public boolean isGranted() {
            return true;
        }
    }

    @Override
    public AuthorizationResult authorize(
            Supplier<? extends @Nullable Authentication> authentication, RequestAuthorizationContext context) {
        HttpServletRequest request = context.getRequest();
        Optional<RightsTable.Row> row = RightsTable.of(request.getMethod(), request.getRequestURI());
        // addresses without a row lead nowhere: every one that is answered has its row, or the server does not start
        Right right = row.map(RightsTable.Row::right).orElse(Right.LOOK);
        Authentication who = authentication.get();
        if (who != null && who.getPrincipal() instanceof SignedInProgram program) {
            return program(program, row.map(RightsTable.Row::scope).orElse(null), request);
        }
        if (right == Right.EVERYBODY) {
            return new Granted();
        }
        Viewer viewer = who != null && who.getPrincipal() instanceof SignedInAccount account
                ? accounts.viewer(account.id()).orElse(null)
                : null;
        if (viewer == null) {
            throw new InsufficientAuthenticationException("nobody is signed in");
        }
        viewer.behind(request);
        if (!DeskLock.allows(request)) {
            return new Refused("This screen belongs to the signing. A colleague unlocks it with the password.");
        }
        return right.isHeldBy(viewer) ? new Granted() : new Refused(right.refusal(viewer));
    }

    private AuthorizationResult program(SignedInProgram program, @Nullable KeyScope scope, HttpServletRequest request) {
        Viewer viewer = accounts.viewer(program.account())
                .filter(v -> v.role() == Role.PROGRAM)
                .orElseThrow(() -> new InsufficientAuthenticationException("the key has ended"));
        viewer.behind(request);
        return scope != null && program.scopes().contains(scope)
                ? new Granted()
                : new Refused("This key is not for that. Ask an administrator for one that is.");
    }
}
