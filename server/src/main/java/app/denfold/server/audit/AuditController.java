package app.denfold.server.audit;

import app.denfold.server.access.Viewer;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class AuditController {

    private final CheckTrailJob check;

    AuditController(CheckTrailJob check) {
        this.check = check;
    }

    /** Whether the chain of the whole trail is unbroken; for administrators. */
    @GetMapping("/api/audit/check")
    CheckTrailJob.ChainCheck check(Viewer viewer) {
        viewer.requireAdministrator();
        return check.run();
    }
}
