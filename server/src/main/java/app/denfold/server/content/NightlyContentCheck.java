package app.denfold.server.content;

import app.denfold.server.practice.PracticeCalendar;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/**
 * Once a night: reads every stored file through and notes what is damaged or missing, then removes files that no row
 * names and that nobody has touched for a day.
 */
@Component
class NightlyContentCheck {

    private static final Logger LOG = LoggerFactory.getLogger(NightlyContentCheck.class);
    private static final int AT_ONCE = 500;
    private static final Duration LEFT_ALONE = Duration.ofDays(1);

    private final ContentRepository contents;
    private final ContentStore store;
    private final CheckAllContent all;
    private final PracticeCalendar calendar;

    NightlyContentCheck(
            ContentRepository contents, ContentStore store, CheckAllContent all, PracticeCalendar calendar) {
        this.contents = contents;
        this.store = store;
        this.all = all;
        this.calendar = calendar;
    }

    void run(BooleanSupplier stops) {
        try {
            all.run(stops, (sha256, words) -> LOG.warn("The stored paper {} is damaged: {}", sha256, words));
            if (!stops.getAsBoolean()) {
                sweep(calendar.now().minus(LEFT_ALONE));
            }
        } catch (IOException failed) {
            throw new UncheckedIOException("The check of all stored papers broke off", failed);
        }
    }

    /** @param before what was stored since is left alone: its row may be on its way */
    void sweep(Instant before) throws IOException {
        int swept = store.sweepStaged(before);
        List<String> old = new ArrayList<>();
        store.each((sha256, since) -> {
            if (since.isBefore(before)) {
                old.add(sha256);
            }
        });
        for (int from = 0; from < old.size(); from += AT_ONCE) {
            List<String> some = old.subList(from, Math.min(old.size(), from + AT_ONCE));
            Set<String> named = contents.findBySha256In(some).stream()
                    .filter(c -> !c.isDestroyed())
                    .map(Content::sha256)
                    .collect(Collectors.toSet());
            for (String sha256 : some) {
                if (!named.contains(sha256)) {
                    swept += Files.deleteIfExists(store.file(sha256)) ? 1 : 0;
                }
            }
        }
        if (swept > 0) {
            LOG.info("Removed {} files that no paper refers to", swept);
        }
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> nightlyContentCheckTask(ObjectProvider<NightlyContentCheck> check) {
            return Tasks.recurring("check-content", Schedules.daily(LocalTime.of(2, 30)))
                    .execute((instance, context) -> check.getObject().run(context.getSchedulerState()::isShuttingDown));
        }
    }
}
