package app.denfold.server.demo;

import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.env.Environment;
import org.springframework.core.env.Profiles;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Lets the demo's scanner save papers at the press of a button. */
@RestController
@RequestMapping("/api/demo/scanner")
class DemoScannerController {

    private static final Logger LOG = LoggerFactory.getLogger(DemoScannerController.class);

    private final boolean demo;
    private final Path pickup;
    private final AtomicBoolean scans = new AtomicBoolean();

    DemoScannerController(Environment environment, @Value("${denfold.pickup}") Path pickup) {
        this.demo = environment.acceptsProfiles(Profiles.of("demo"));
        this.pickup = pickup;
    }

    /** @param there false outside the demo */
    record DemoScanner(boolean there) {}

    /** @param stack whether the papers go through in one go, with a cover sheet before each */
    record DemoScan(String desk, boolean stack) {}

    @GetMapping
    DemoScanner scanner() {
        return new DemoScanner(demo);
    }

    /** Begins to save three papers into the folder of a desk; they are there some seconds later. */
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    void scan(Viewer viewer, @RequestBody DemoScan scan) {
        viewer.requireAdministrator();
        if (!demo) {
            throw Refusal.notFound("scanner");
        }
        Path folder = pickup.resolve(scan.desk()).normalize();
        if (!pickup.normalize().equals(folder.getParent())) {
            throw Refusal.notFound("desk");
        }
        if (!scans.compareAndSet(false, true)) {
            throw Refusal.conflict("scanning", "The scanner is still at work on the papers before.");
        }
        Thread scanning = new Thread(() -> save(folder, scan.stack()), "demo-scanner");
        scanning.setDaemon(true);
        scanning.start();
    }

    private void save(Path folder, boolean stack) {
        try {
            ScannerStandIn.save(folder, stack);
        } catch (IOException failed) {
            LOG.warn("The demo's scanner could not save: {}", failed.getMessage());
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        } finally {
            scans.set(false);
        }
    }
}
