package app.denfold.server.finding.index;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.time.Duration;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Every second what changed is made findable, on one node at a time. */
@Configuration
class IndexPapersJob {

    private static final Duration PAUSE = Duration.ofSeconds(1);

    @Bean
    Task<Void> indexPapers(ObjectProvider<FindIndex> index) {
        return Tasks.recurring("index-papers", Schedules.fixedDelay(PAUSE))
                .execute((instance, context) -> index.getObject().drain());
    }
}
