package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticePlanner;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What plans put into Today. A task is gone once what it is about is met, or when somebody says that it is done. */
@Service
public class ChasingTasks {

    private static final int MOST = 300;

    private final ToldRepository told;
    private final Plans plans;
    private final PrepareNotices prepare;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    ChasingTasks(
            ToldRepository told,
            Plans plans,
            PrepareNotices prepare,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.told = told;
        this.plans = plans;
        this.prepare = prepare;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param why in words */
    public record Task(UUID id, UUID fileId, String label, String why, LocalDate since) {}

    /** Those of the viewer and of everybody, as far as he may know of them, the oldest first. */
    @Transactional(readOnly = true)
    public List<Task> of(Viewer viewer) {
        List<Told> open = told.findTasks(viewer.accountId(), Limit.of(MOST));
        if (open.isEmpty()) {
            return List.of();
        }
        Set<UUID> visible =
                files.visibleAmong(viewer, open.stream().map(Told::fileId).toList());
        PreparedNotices now = prepare.ofFiles(plans.everyOne(), visible);
        LocalDate today = calendar.today();
        return open.stream()
                .filter(t -> visible.contains(t.fileId()) && viewer.maySeeAny(t.types()))
                .filter(t -> isOpen(now, t, today))
                .map(t -> new Task(t.id(), t.fileId(), t.label(), t.why(), t.toldOn()))
                .toList();
    }

    private static boolean isOpen(PreparedNotices now, Told task, LocalDate today) {
        return now.telling(task.key().orElseThrow())
                .filter(t -> NoticePlanner.stillHolds(t, today))
                .isPresent();
    }

    /** Takes away for good what nobody has to do any more, so that it is not looked at again each time. */
    @Transactional
    void closeMet() {
        List<Told> open = told.findAllTasks();
        PreparedNotices now = prepare.ofFiles(
                plans.everyOne(), open.stream().map(Told::fileId).collect(Collectors.toSet()));
        LocalDate today = calendar.today();
        open.stream().filter(t -> !isOpen(now, t, today)).forEach(t -> t.close(Outbox.BY_PLANS, calendar.now()));
    }

    /** It is done. @throws Refusal when there is no such task of the viewer's */
    @Transactional
    public void done(Viewer viewer, UUID id) {
        viewer.requireChange();
        Told task = told.findById(id)
                .filter(t -> t.noticeId() == null && t.key().isPresent())
                .filter(t -> t.accountId() == null || t.accountId().equals(viewer.accountId()))
                .filter(t -> files.maySee(viewer, t.fileId()) && viewer.maySeeAny(t.types()))
                .orElseThrow(() -> Refusal.notFound("task"));
        task.close(viewer.name(), calendar.now());
        trail.record(AuditEntry.ofFile(
                        viewer.actor(),
                        "task-done",
                        task.fileId(),
                        "did what the plan asks about “" + task.label() + "”")
                .about(task.types()));
    }
}
