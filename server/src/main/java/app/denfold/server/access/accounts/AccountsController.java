package app.denfold.server.access.accounts;

import app.denfold.server.access.Viewer;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Accounts as administrators end them and open them again. */
@RestController
class AccountsController {

    private final Accounts accounts;

    AccountsController(Accounts accounts) {
        this.accounts = accounts;
    }

    /** Ends an account at once: its sessions and its links as well. */
    @PostMapping("/api/accounts/{id}/close")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(Viewer viewer, @PathVariable UUID id) {
        accounts.close(viewer, id);
    }

    @PostMapping("/api/accounts/{id}/open")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void open(Viewer viewer, @PathVariable UUID id) {
        accounts.openAgain(viewer, id);
    }
}
