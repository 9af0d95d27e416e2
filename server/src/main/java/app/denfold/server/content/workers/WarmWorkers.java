package app.denfold.server.content.workers;

import app.denfold.paper.worker.PaperWorkers;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Starts the quick workers as soon as the server serves, so that the first paper does not wait for them. */
@Component
class WarmWorkers {

    private static final Logger LOG = LoggerFactory.getLogger(WarmWorkers.class);

    private final PaperWorkers workers;

    WarmWorkers(PaperWorkers quickWorkers) {
        this.workers = quickWorkers;
    }

    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        for (int i = 0; i < 2; i++) {
            Thread thread = new Thread(this::lookIntoSomething, "warm-workers");
            thread.setDaemon(true);
            thread.start();
        }
    }

    private void lookIntoSomething() {
        try {
            Path file = Files.createTempFile("warm", ".txt");
            try {
                Files.writeString(file, "Nothing that anybody needs.");
                workers.identify(file, "warm.txt");
            } finally {
                Files.delete(file);
            }
        } catch (IOException cold) {
            LOG.warn("A worker could not be started beforehand: {}", cold.getMessage());
        }
    }
}
