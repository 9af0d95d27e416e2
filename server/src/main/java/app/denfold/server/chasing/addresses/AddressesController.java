package app.denfold.server.chasing.addresses;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class AddressesController {

    private final SilentAddresses addresses;

    AddressesController(SilentAddresses addresses) {
        this.addresses = addresses;
    }

    record ReachableRequest(@NotBlank(message = "is needed") String address) {}

    /** Mails arrive there again. */
    @PostMapping("/api/unreachable-addresses/reachable")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void reachable(Viewer viewer, @Valid @RequestBody ReachableRequest body) {
        addresses.reachable(viewer, body.address());
    }
}
