package app.denfold.server.access.passkeys;

import app.denfold.server.access.Viewer;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The passkeys of one's own account. */
@RestController
@RequestMapping("/api/my-passkeys")
class MyPasskeysController {

    private final Passkeys passkeys;

    MyPasskeysController(Passkeys passkeys) {
        this.passkeys = passkeys;
    }

    /** @param label by which its holder tells it from others @param credential as the browser made it */
    record NewPasskey(
            @NotBlank(message = "is needed") @Size(max = 80) String label,
            @NotNull JsonNode credential) {}

    @GetMapping
    List<Passkeys.PasskeyAnswer> mine(Viewer viewer) {
        return passkeys.of(viewer);
    }

    /** What a browser needs to make one. */
    @PostMapping("/options")
    JsonNode options(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        return passkeys.toMake(viewer, request, response);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    void keep(
            Viewer viewer,
            @Valid @RequestBody NewPasskey body,
            HttpServletRequest request,
            HttpServletResponse response) {
        passkeys.keep(viewer, body.label().strip(), body.credential(), request, response);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable String id) {
        passkeys.remove(viewer, id);
    }
}
