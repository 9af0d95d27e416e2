package app.denfold.server.colleagues;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** For who cannot sign in; open to everybody. */
@RestController
class ForgottenPasswordController {

    private final ForgottenPassword forgotten;

    ForgottenPasswordController(ForgottenPassword forgotten) {
        this.forgotten = forgotten;
    }

    record ForgottenRequest(@NotBlank @Size(max = 254) String email) {}

    /** Answers the same whether the address has an account or not. */
    @PostMapping("/api/forgotten-password")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void ask(@Valid @RequestBody ForgottenRequest body) {
        forgotten.ask(body.email());
    }
}
