package app.denfold.server.documents.pages;

import app.denfold.server.content.Contents;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.reading.PaperRead;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Instant;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;

/** Has office files laid out in the background once they were read, so that their pages are there when they are opened. */
@Component
class LayOutAhead {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("lay-out-office-file");

    private final Contents contents;
    private final ObjectProvider<SchedulerClient> scheduler;

    LayOutAhead(Contents contents, ObjectProvider<SchedulerClient> scheduler) {
        this.contents = contents;
        this.scheduler = scheduler;
    }

    @ApplicationModuleListener
    void on(PaperRead event) {
        if (OfficePages.isOffice(contents.content(event.sha256()))) {
            scheduler
                    .getObject()
                    .scheduleIfNotExists(TASK.instance(event.sha256()).scheduledTo(Instant.EPOCH));
        }
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> layOutOfficeFile(ObjectProvider<OfficePages> office) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> office.getObject().ofIfPossible(instance.getId()));
        }
    }
}
