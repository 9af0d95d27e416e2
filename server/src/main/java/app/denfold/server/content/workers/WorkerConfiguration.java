package app.denfold.server.content.workers;

import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.Sandbox;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The processes in which papers are looked into: few and quick ones for people who wait, patient ones for reading. */
@Configuration
class WorkerConfiguration {

    private static final Logger LOG = LoggerFactory.getLogger(WorkerConfiguration.class);

    /** @param user whom they run as where the server is root's */
    @Bean
    Sandbox sandbox(@Value("${denfold.content}") Path content, @Value("${denfold.workers.user:nobody}") String user)
            throws IOException {
        // another user walks through it to the workers' folders, and sees nothing else in it
        Files.createDirectories(content.toAbsolutePath());
        Files.setPosixFilePermissions(content.toAbsolutePath(), PosixFilePermissions.fromString("rwx--x--x"));
        Sandbox sandbox = Sandbox.in(content.toAbsolutePath().resolve("work"), user);
        LOG.info(
                "Papers are looked into {} and {}",
                sandbox.isOtherUser() ? "as the user " + user : "as the server's own user",
                sandbox.isOffline() ? "without a network" : "with the network in reach");
        return sandbox;
    }

    @Bean(destroyMethod = "close")
    PaperWorkers quickWorkers(Sandbox sandbox) {
        return new PaperWorkers(sandbox, 2, 512, Duration.ofSeconds(25));
    }

    /** One for each core, since text recognition keeps a core busy. */
    @Bean(destroyMethod = "close")
    PaperWorkers readingWorkers(Sandbox sandbox) {
        return PaperWorkers.inBackground(
                sandbox, Runtime.getRuntime().availableProcessors(), 768, Duration.ofSeconds(150));
    }
}
