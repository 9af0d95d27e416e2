package app.denfold.server.arrivals.pickup;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Which files below the pickup folder were written to and not closed since, as the kernel tells whoever asks for it
 * (inotify(7)), also of programs that belong to other users. It asks through {@code inotifywait}, of the package
 * inotify-tools; where there is none, open handles, the format's end and the desk's pause decide alone.
 */
@Component
class BeingWritten {

    private static final Logger LOG = LoggerFactory.getLogger(BeingWritten.class);

    private final Path root;
    private final Set<String> written = ConcurrentHashMap.newKeySet();
    private @Nullable Process watcher;

    BeingWritten(@Value("${denfold.pickup}") Path root) {
        this.root = root.toAbsolutePath();
    }

    @PostConstruct
    void start() throws IOException {
        Files.createDirectories(root);
        Process started;
        try {
            ProcessBuilder asking = new ProcessBuilder(
                            "inotifywait",
                            "--monitor",
                            "--recursive",
                            "--quiet",
                            "--event",
                            "modify,close_write,move,delete",
                            "--format",
                            "%e %w%f",
                            root.toString())
                    .redirectError(ProcessBuilder.Redirect.DISCARD);
            // it needs none of the server's secrets
            asking.environment().clear();
            started = asking.start();
        } catch (IOException missing) {
            LOG.info("There is no inotifywait; that a scan was closed is seen by open handles alone");
            return;
        }
        watcher = started;
        Thread listener = new Thread(() -> listen(started), "pickup-closed");
        listener.setDaemon(true);
        listener.start();
    }

    boolean contains(Path file) {
        return written.contains(file.toString());
    }

    private void listen(Process source) {
        try (BufferedReader events =
                new BufferedReader(new InputStreamReader(source.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = events.readLine(); line != null; line = events.readLine()) {
                heard(line);
            }
        } catch (IOException ended) {
            LOG.debug("The pickups are watched no more", ended);
        } finally {
            written.clear();
        }
    }

    /** @param line the events with commas between them, a space, and the file they happened to */
    private void heard(String line) {
        int space = line.indexOf(' ');
        String happened = line.substring(0, Math.max(0, space));
        String file = line.substring(space + 1);
        if (happened.contains("OVERFLOW")) {
            // what was closed meanwhile was not told
            written.clear();
        } else if (happened.contains("MODIFY")) {
            written.add(file);
        } else {
            written.remove(file);
        }
    }

    @PreDestroy
    void stop() {
        if (watcher != null) {
            watcher.destroy();
        }
    }
}
