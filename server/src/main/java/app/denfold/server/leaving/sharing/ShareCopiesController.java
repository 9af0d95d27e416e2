package app.denfold.server.leaving.sharing;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ShareCopiesController {

    private final ShareCopies copies;

    ShareCopiesController(ShareCopies copies) {
        this.copies = copies;
    }

    /** @param accountId of the guest for whom the copies were made */
    record CopiesForGuest(
            @NotEmpty List<@NotNull UUID> copies,
            @NotNull(message = "is needed") UUID accountId,
            boolean evenIfReadable) {}

    /** Puts copies that were looked at into the portal for a guest of their file. */
    @PostMapping("/api/copies-out/share")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void share(Viewer viewer, @Valid @RequestBody CopiesForGuest body) {
        copies.share(viewer, body.copies(), body.accountId(), body.evenIfReadable());
    }
}
