package app.denfold.server.jobs;

import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Progress of long work, kept in the database so that any node can tell it. Whoever does the work reports here; what
 * does it, and goes on with it after a restart, is the scheduler.
 */
@Service
public class Jobs {

    private static final Duration SHOWN_AFTER_END = Duration.ofMinutes(10);

    private final JobRepository jobs;
    private final PracticeCalendar calendar;

    Jobs(JobRepository jobs, PracticeCalendar calendar) {
        this.jobs = jobs;
        this.calendar = calendar;
    }

    /** @param words how it went, once it ended @param link where the viewer can fetch what was made */
    public record JobAnswer(
            UUID id,
            String title,
            Job.State state,
            int done,
            int total,
            @Nullable String words,
            @Nullable String link,
            String startedBy,
            Instant startedAt) {}

    @Transactional
    public UUID begin(String kind, String title, int total, Actor by) {
        return jobs.save(new Job(kind, title, total, by, calendar.now())).id();
    }

    /** Seen by others at once, since the work reports from between its own transactions. */
    @Transactional
    public void reached(UUID id, int done, int total) {
        jobs.findById(id).ifPresent(job -> job.reached(done, total));
    }

    /** @param link where what was made can be fetched */
    @Transactional
    public void done(UUID id, String words, String link) {
        jobs.findById(id).ifPresent(job -> {
            job.end(Job.State.DONE, words, calendar.now());
            job.made(link);
        });
    }

    @Transactional
    public void done(UUID id, String words) {
        jobs.findById(id).ifPresent(job -> job.end(Job.State.DONE, words, calendar.now()));
    }

    @Transactional
    public void failed(UUID id, String words) {
        jobs.findById(id).ifPresent(job -> job.end(Job.State.FAILED, words, calendar.now()));
    }

    /** What runs or ended lately: an administrator's view is of all, a colleague's of his own. */
    @Transactional(readOnly = true)
    public List<JobAnswer> recent(Viewer viewer) {
        Instant since = calendar.now().minus(SHOWN_AFTER_END);
        return jobs.findRecent(since, viewer.isAdministrator(), viewer.accountId()).stream()
                .map(j -> new JobAnswer(
                        j.id(),
                        j.title(),
                        j.state(),
                        j.done(),
                        j.total(),
                        j.words(),
                        viewer.accountId().equals(j.startedBy()) ? j.link() : null,
                        j.startedByName(),
                        j.startedAt()))
                .toList();
    }
}
