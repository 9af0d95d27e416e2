package app.denfold.server.colleagues;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.StaffAccount;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Set-up of the people with accounts. */
@RestController
class SetUpColleaguesController {

    private final SetUpColleagues colleagues;
    private final Accounts accounts;

    SetUpColleaguesController(SetUpColleagues colleagues, Accounts accounts) {
        this.colleagues = colleagues;
        this.accounts = accounts;
    }

    record InvitedColleague(UUID id) {}

    /** @param version of the account as it was looked at */
    record ChangedColleague(int version, @Valid @NotNull ColleagueDetails details) {}

    record PauseRequest(boolean paused) {}

    /** All who work or worked here. */
    @GetMapping("/api/set-up/accounts")
    List<StaffAccount> all(Viewer viewer) {
        return accounts.everyAccount(viewer);
    }

    @PostMapping("/api/set-up/accounts")
    @ResponseStatus(HttpStatus.CREATED)
    InvitedColleague invite(Viewer viewer, @Valid @RequestBody ColleagueDetails details) {
        return new InvitedColleague(colleagues.invite(viewer, details));
    }

    @PutMapping("/api/set-up/accounts/{id}")
    StaffAccount change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ChangedColleague body) {
        return colleagues.change(viewer, id, body.version(), body.details());
    }

    /** For a while nobody signs in to it, or again from now on. */
    @PutMapping("/api/set-up/accounts/{id}/pause")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pause(Viewer viewer, @PathVariable UUID id, @RequestBody PauseRequest body) {
        accounts.pause(viewer, id, body.paused());
    }

    /** Sends a fresh link to choose a password. */
    @PostMapping("/api/set-up/accounts/{id}/link")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void link(Viewer viewer, @PathVariable UUID id) {
        colleagues.sendLinkAgain(viewer, id);
    }

    /** Takes away a second factor whose device is lost. */
    @PostMapping("/api/set-up/accounts/{id}/end-second-factor")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endSecondFactor(Viewer viewer, @PathVariable UUID id) {
        colleagues.endSecondFactor(viewer, id);
    }

    /** Everybody who may see a file now, and by what right. */
    @GetMapping("/api/files/{id}/who-sees")
    List<SetUpColleagues.WhoSees> whoSees(Viewer viewer, @PathVariable UUID id) {
        return colleagues.whoSees(viewer, id);
    }
}
