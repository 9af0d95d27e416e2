package app.denfold.server.access.secondfactor;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The second factor of one's own account. */
@RestController
@RequestMapping("/api/my-second-factor")
class MySecondFactorController {

    private final SecondFactors factors;

    MySecondFactorController(SecondFactors factors) {
        this.factors = factors;
    }

    record CodeRequest(@NotBlank @Size(max = 40) String code) {}

    record RecoveryCodes(List<String> recoveryCodes) {}

    @GetMapping
    SecondFactors.Standing standing(Viewer viewer) {
        return factors.standing(viewer);
    }

    /** A fresh secret for one's device; it holds once it is confirmed. */
    @PostMapping
    SecondFactors.NewSecret begin(Viewer viewer) {
        return factors.begin(viewer);
    }

    @PostMapping("/confirm")
    RecoveryCodes confirm(Viewer viewer, @Valid @RequestBody CodeRequest body) {
        return new RecoveryCodes(factors.confirm(viewer, body.code()));
    }

    @PostMapping("/recovery-codes")
    RecoveryCodes renew(Viewer viewer, @Valid @RequestBody CodeRequest body) {
        return new RecoveryCodes(factors.renewRecoveryCodes(viewer, body.code()));
    }

    @PostMapping("/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Viewer viewer, @Valid @RequestBody CodeRequest body) {
        factors.end(viewer, body.code());
    }
}
