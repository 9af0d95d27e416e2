package app.denfold.server.content;

import app.denfold.paper.worker.PaperWorkers;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The processes in which papers are looked into: few and quick ones for people who wait, patient ones for reading. */
@Configuration
class WorkerConfiguration {

    @Bean(destroyMethod = "close")
    PaperWorkers quickWorkers() {
        return new PaperWorkers(2, 512, Duration.ofSeconds(25));
    }

    /** One for each core, since text recognition keeps a core busy. */
    @Bean(destroyMethod = "close")
    PaperWorkers readingWorkers() {
        return PaperWorkers.inBackground(Runtime.getRuntime().availableProcessors(), 768, Duration.ofSeconds(150));
    }
}
