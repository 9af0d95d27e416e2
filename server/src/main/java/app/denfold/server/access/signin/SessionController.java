package app.denfold.server.access.signin;

import app.denfold.server.access.AccessEvents.SignedOut;
import app.denfold.server.access.DeskLock;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.OpenSession;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, by password or for the first time by a link. */
@RestController
class SessionController {

    private final Accounts accounts;
    private final Entrance entrance;
    private final ShowMe me;
    private final Sessions sessions;
    private final ApplicationEventPublisher events;

    SessionController(
            Accounts accounts, Entrance entrance, ShowMe me, Sessions sessions, ApplicationEventPublisher events) {
        this.entrance = entrance;
        this.me = me;
        this.accounts = accounts;
        this.sessions = sessions;
        this.events = events;
    }

    record SignInRequest(@NotBlank String email, @NotBlank String password) {}

    record NewPassword(@NotBlank String password) {}

    record Invitation(String name, String email) {}

    @GetMapping("/api/session")
    Me current(Viewer viewer, HttpServletRequest request) {
        return me.of(viewer, DeskLock.lockedTo(request), DeskLock.lockedToTurn(request));
    }

    @PostMapping("/api/session")
    Me signIn(@Valid @RequestBody SignInRequest body, HttpServletRequest request, HttpServletResponse response) {
        Viewer viewer = accounts.signIn(body.email(), body.password(), request.getRemoteAddr());
        return me.of(entrance.withPassword(viewer, request, response));
    }

    /** Where the account is signed in. */
    @GetMapping("/api/my-sessions")
    List<OpenSession> mine(Viewer viewer, HttpServletRequest request) {
        return accounts.sessions(viewer, request.getSession().getId());
    }

    /** Ends every session of the account but this one. */
    @DeleteMapping("/api/my-sessions/others")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOthers(Viewer viewer, HttpServletRequest request) {
        accounts.endOtherSessions(viewer, request.getSession().getId());
    }

    @DeleteMapping("/api/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        sessions.end(request, response);
        events.publishEvent(new SignedOut(viewer.actor()));
    }

    @GetMapping("/api/invitations/{token}")
    Invitation invitation(@PathVariable String token) {
        Viewer holder = accounts.holderOf(token);
        return new Invitation(holder.name(), holder.email());
    }

    @PostMapping("/api/invitations/{token}")
    Me accept(
            @PathVariable String token,
            @Valid @RequestBody NewPassword body,
            HttpServletRequest request,
            HttpServletResponse response) {
        Viewer viewer = accounts.setPasswordByLink(token, body.password());
        return me.of(entrance.withPassword(viewer, request, response));
    }
}
