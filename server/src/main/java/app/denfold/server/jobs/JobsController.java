package app.denfold.server.jobs;

import app.denfold.server.access.Viewer;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class JobsController {

    private final Jobs jobs;

    JobsController(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping("/api/jobs")
    List<Jobs.JobAnswer> recent(Viewer viewer) {
        return jobs.recent(viewer);
    }
}
