package app.denfold.server.beginning;

import app.denfold.server.problems.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.ZoneId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The first start. */
@RestController
@RequestMapping("/api/beginning")
class BeginningController {

    private final Beginning beginning;

    BeginningController(Beginning beginning) {
        this.beginning = beginning;
    }

    /** @param open whether there is no practice yet */
    record BeginningAnswer(boolean open) {}

    /** @param key as the installation told it where it was started @param zone by its IANA name */
    record FoundingRequest(
            @NotNull String key,

            @NotBlank(message = "is needed") @Size(max = 120)
            String practice,

            @NotBlank String zone,

            @NotBlank(message = "is needed") @Size(max = 120)
            String name,

            @NotBlank(message = "is needed") @Email(message = "is no mail address") @Size(max = 254)
            String email,

            @NotNull String password) {}

    @GetMapping
    BeginningAnswer state() {
        return new BeginningAnswer(beginning.isOpen());
    }

    /** Founds the practice with its first administrator, who signs in next. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    void found(@Valid @RequestBody FoundingRequest body) throws IOException {
        if (!ZoneId.getAvailableZoneIds().contains(body.zone())) {
            throw Refusal.invalid("zone", "There is no time zone “" + body.zone() + "”.");
        }
        beginning.found(
                body.key(),
                new Beginning.Founding(
                        body.practice(), ZoneId.of(body.zone()), body.name(), body.email(), body.password()));
    }
}
