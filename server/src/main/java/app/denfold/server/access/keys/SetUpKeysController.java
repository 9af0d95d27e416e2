package app.denfold.server.access.keys;

import app.denfold.server.access.KeyScope;
import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Set-up of the keys with which programs ask. */
@RestController
class SetUpKeysController {

    private final ProgramKeys keys;

    SetUpKeysController(ProgramKeys keys) {
        this.keys = keys;
    }

    /** @param name of the program, as the trail tells it @param until the last day on which the key holds */
    record KeyRequest(
            @NotBlank(message = "is needed") @Size(max = 80) String name,

            @NotEmpty(message = "choose at least one thing") Set<KeyScope> scopes,
            boolean seesSensitive,
            @Nullable LocalDate until) {}

    /** @param key told this once; what is kept is only enough to recognise it */
    record MadeKey(String key) {}

    @GetMapping("/api/set-up/keys")
    List<ProgramKeys.KeyAnswer> all(Viewer viewer) {
        return keys.all(viewer);
    }

    @PostMapping("/api/set-up/keys")
    @ResponseStatus(HttpStatus.CREATED)
    MadeKey make(Viewer viewer, @Valid @RequestBody KeyRequest body) {
        return new MadeKey(keys.make(viewer, body.name(), body.scopes(), body.seesSensitive(), body.until()));
    }

    @DeleteMapping("/api/set-up/keys/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Viewer viewer, @PathVariable UUID id) {
        keys.end(viewer, id);
    }
}
