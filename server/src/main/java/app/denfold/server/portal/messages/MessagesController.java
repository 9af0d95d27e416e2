package app.denfold.server.portal.messages;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Messages between guests and the practice, from both sides. */
@RestController
class MessagesController {

    private final Messages messages;

    MessagesController(Messages messages) {
        this.messages = messages;
    }

    /** @param sent what the guest sent about the person before, and goes with it; null for nothing */
    record GuestWords(
            @NotNull UUID fileId,

            @NotBlank(message = "are needed") @Size(max = 4000, message = "are at most 4000 characters")
            String words,

            @Nullable @Size(max = 50) List<@NotNull UUID> sent) {}

    /** @param papers of the file, shown to the guest with it */
    record WordsToGuest(
            @NotNull UUID accountId,

            @NotBlank(message = "are needed") @Size(max = 4000, message = "are at most 4000 characters")
            String words,

            @NotNull @Size(max = 50) List<@NotNull UUID> papers) {}

    @GetMapping("/api/portal/messages")
    List<Messages.Conversation> mine(Viewer guest) {
        return messages.ofGuest(guest);
    }

    @PostMapping("/api/portal/messages")
    @ResponseStatus(HttpStatus.CREATED)
    void fromGuest(Viewer guest, @Valid @RequestBody GuestWords body) {
        messages.fromGuest(
                guest, body.fileId(), body.words(), body.sent() == null ? List.of() : List.copyOf(body.sent()));
    }

    /** All that was written to the guest counts as seen. */
    @PostMapping("/api/portal/messages/read")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void readByGuest(Viewer guest) {
        messages.readByGuest(guest);
    }

    @GetMapping("/api/files/{id}/messages")
    List<Messages.Conversation> ofFile(Viewer viewer, @PathVariable UUID id) {
        return messages.ofFile(viewer, id);
    }

    @PostMapping("/api/files/{id}/messages")
    @ResponseStatus(HttpStatus.CREATED)
    void toGuest(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody WordsToGuest body) {
        messages.toGuest(viewer, id, body.accountId(), body.words(), body.papers());
    }

    /** All that guests wrote about the person counts as seen. */
    @PostMapping("/api/files/{id}/messages/read")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void readByPractice(Viewer viewer, @PathVariable UUID id) {
        messages.readByPractice(viewer, id);
    }
}
