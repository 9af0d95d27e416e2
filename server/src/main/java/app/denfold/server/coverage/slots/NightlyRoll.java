package app.denfold.server.coverage.slots;

import app.denfold.server.practice.PracticeSettings;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.time.LocalTime;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Shortly after midnight in the practice, slots whose day has come change their status. */
@Configuration
class NightlyRoll {

    @Bean
    Task<Void> rollOfSlots(RecomputeSlots recompute, PracticeSettings settings) {
        return Tasks.recurring("roll-of-slots", Schedules.daily(settings.zone(), LocalTime.of(0, 5)))
                .execute((instance, context) -> recompute.roll());
    }
}
