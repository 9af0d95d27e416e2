package app.denfold.server.portal.guests;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.TrailLine;
import app.denfold.server.portal.Guests;
import app.denfold.server.portal.RightsDetails;
import app.denfold.server.portal.page.Portal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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

/** All guests, and what each may. */
@RestController
class GuestsController {

    private final Guests guests;
    private final ShowGuests show;

    GuestsController(Guests guests, ShowGuests show) {
        this.guests = guests;
        this.show = show;
    }

    /** @param files whose guest he becomes */
    record NewGuest(
            @NotBlank(message = "is needed") @Size(max = 120)
            String name,

            @NotBlank(message = "is needed") @Email(message = "is not a mail address") @Size(max = 254)
            String email,

            @NotBlank(message = "is needed") @Size(max = 60) String relation,
            @NotNull List<@NotNull UUID> files,
            @NotNull @Valid RightsDetails rights) {}

    record InvitedGuest(UUID accountId) {}

    record GuestChange(
            @NotBlank(message = "is needed") @Size(max = 60) String relation,
            @NotNull @Valid RightsDetails rights) {}

    @GetMapping("/api/guests")
    List<ShowGuests.GuestOverview> all(Viewer viewer) {
        return show.all(viewer);
    }

    /** Makes somebody a guest of files, with one mail. */
    @PostMapping("/api/guests")
    @ResponseStatus(HttpStatus.CREATED)
    InvitedGuest invite(Viewer viewer, @Valid @RequestBody NewGuest body) {
        return new InvitedGuest(guests.invite(
                viewer,
                body.files(),
                body.name(),
                body.email(),
                body.relation(),
                body.rights().granted()));
    }

    /** What a guest may in a file from now on. */
    @PutMapping("/api/files/{id}/guests/{accountId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void grant(
            Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId, @Valid @RequestBody GuestChange body) {
        guests.grant(viewer, id, accountId, body.relation(), body.rights().granted());
    }

    /** The portal as the guest sees it now. */
    @GetMapping("/api/guests/{accountId}/portal")
    Portal.PortalAnswer asSeen(Viewer viewer, @PathVariable UUID accountId) {
        return show.asSeenBy(viewer, accountId);
    }

    /** What the guest did, the last first. */
    @GetMapping("/api/guests/{accountId}/trail")
    List<TrailLine> did(Viewer viewer, @PathVariable UUID accountId) {
        return show.did(viewer, accountId);
    }
}
