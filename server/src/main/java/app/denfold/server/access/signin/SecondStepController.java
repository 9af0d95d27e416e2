package app.denfold.server.access.signin;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.passkeys.Passkeys;
import app.denfold.server.access.secondfactor.SecondFactors;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** What follows the password, or stands for it. */
@RestController
@RequestMapping("/api/session")
class SecondStepController {

    private final Entrance entrance;
    private final SecondFactors factors;
    private final Passkeys passkeys;
    private final ShowMe me;

    SecondStepController(Entrance entrance, SecondFactors factors, Passkeys passkeys, ShowMe me) {
        this.entrance = entrance;
        this.factors = factors;
        this.passkeys = passkeys;
        this.me = me;
    }

    record StepCode(@NotBlank @Size(max = 40) String code) {}

    /** @param recoveryCodes told this once */
    record SetUpOnTheWayIn(Me me, List<String> recoveryCodes) {}

    /** The code that a device shows, or a recovery code. */
    @PostMapping("/code")
    Me code(@Valid @RequestBody StepCode body, HttpServletRequest request, HttpServletResponse response) {
        return me.of(entrance.withCode(body.code(), request, response));
    }

    /** A secret for who has to have a second factor and has none yet. */
    @PostMapping("/second-factor")
    SecondFactors.NewSecret begin(HttpServletRequest request) {
        return factors.begin(entrance.halfWay(request));
    }

    /** The device shows the right code: the way in is open. */
    @PostMapping("/second-factor/confirm")
    SetUpOnTheWayIn confirm(
            @Valid @RequestBody StepCode body, HttpServletRequest request, HttpServletResponse response) {
        Viewer holder = entrance.halfWay(request);
        List<String> codes = factors.confirm(holder, body.code());
        return new SetUpOnTheWayIn(me.of(entrance.letIn(holder, " with a code", request, response)), codes);
    }

    /** What a browser needs to ask for a passkey. */
    @PostMapping("/passkey/options")
    JsonNode options(HttpServletRequest request, HttpServletResponse response) {
        return passkeys.toSignIn(request, response);
    }

    @PostMapping("/passkey")
    Me passkey(@RequestBody JsonNode credential, HttpServletRequest request, HttpServletResponse response) {
        Viewer holder = passkeys.holder(credential, request, response);
        return me.of(entrance.letIn(holder, " with a passkey", request, response));
    }
}
