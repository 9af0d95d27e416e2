package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The staff's side of the portal: who sees what of a file. */
@RestController
class SharedController {

    private final Guests guests;
    private final SharePapers sharing;
    private final Asks asks;
    private final ShowShared show;

    SharedController(Guests guests, SharePapers sharing, Asks asks, ShowShared show) {
        this.guests = guests;
        this.sharing = sharing;
        this.asks = asks;
        this.show = show;
    }

    record InviteRequest(
            @NotBlank(message = "is needed") String name,

            @NotBlank(message = "is needed") @Email(message = "is not a mail address")
            String email,

            @NotBlank(message = "is needed") String relation) {}

    record InvitedAnswer(UUID accountId) {}

    record ShareRequest(@NotNull(message = "is needed") UUID accountId) {}

    /** @param accountId the guest for whom it is */
    record AskRequest(
            @NotNull(message = "is needed") UUID accountId,
            @NotBlank String checklist,
            @NotBlank String requirement,
            @Nullable String words) {}

    @GetMapping("/api/files/{id}/shared")
    ShowShared.SharedAnswer shared(Viewer viewer, @PathVariable UUID id) {
        return show.ofFile(viewer, id);
    }

    @PostMapping("/api/files/{id}/guests")
    @ResponseStatus(HttpStatus.CREATED)
    InvitedAnswer invite(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody InviteRequest body) {
        return new InvitedAnswer(guests.invite(viewer, id, body.name(), body.email(), body.relation()));
    }

    @PostMapping("/api/files/{id}/guests/{accountId}/invitation")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void inviteAgain(Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId) {
        guests.inviteAgain(viewer, id, accountId);
    }

    @PostMapping("/api/files/{id}/asks")
    @ResponseStatus(HttpStatus.CREATED)
    void ask(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody AskRequest body) {
        asks.ask(viewer, id, body.accountId(), body.checklist(), body.requirement(), body.words());
    }

    @PostMapping("/api/files/{id}/asks/{askId}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdrawAsk(Viewer viewer, @PathVariable UUID id, @PathVariable UUID askId) {
        asks.withdraw(viewer, id, askId);
    }

    /** Ends at once all that a guest may do and see in the file. */
    @DeleteMapping("/api/files/{id}/guests/{accountId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endGuest(Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId) {
        guests.end(viewer, id, accountId);
    }

    @PostMapping("/api/documents/{id}/shares")
    @ResponseStatus(HttpStatus.CREATED)
    void share(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ShareRequest body) {
        sharing.share(viewer, List.of(id), body.accountId());
    }

    record ShareManyRequest(
            @NotNull(message = "is needed") UUID accountId,
            @NotNull List<UUID> documents) {}

    /** Shares several papers of one file with one of its guests. */
    @PostMapping("/api/shares")
    @ResponseStatus(HttpStatus.CREATED)
    void shareMany(Viewer viewer, @Valid @RequestBody ShareManyRequest body) {
        sharing.share(viewer, body.documents(), body.accountId());
    }

    @DeleteMapping("/api/documents/{id}/shares/{accountId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId) {
        sharing.withdraw(viewer, id, accountId);
    }
}
