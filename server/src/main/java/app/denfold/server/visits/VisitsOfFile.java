package app.denfold.server.visits;

import app.denfold.core.people.Visits;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The visits of a person. */
@Service
public class VisitsOfFile {

    private static final int LONGEST = 120;
    private static final int YEARS_AHEAD = 2;

    private final VisitRepository visits;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    VisitsOfFile(VisitRepository visits, PersonFiles files, AuditTrail trail, PracticeCalendar calendar) {
        this.visits = visits;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param words what it was for; null when nothing was noted @param isNext whether it is the next to come */
    public record VisitAnswer(
            UUID id, LocalDate day, @Nullable String words, String by, boolean isNext) {}

    /** The last first. */
    @Transactional(readOnly = true)
    public List<VisitAnswer> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        LocalDate next = days(fileId).next(calendar.today()).orElse(null);
        return visits.findByFileIdOrderByDayDescId(fileId).stream()
                .map(v -> new VisitAnswer(
                        v.id(), v.day(), v.words(), v.byName(), v.day().equals(next)))
                .toList();
    }

    /** For whoever may see the file already. */
    @Transactional(readOnly = true)
    public Visits days(UUID fileId) {
        return new Visits(visits.findByFileIdOrderByDayDescId(fileId).stream()
                .map(Visit::day)
                .toList());
    }

    /** @throws Refusal when the day is missing or too far ahead, or the words are too many */
    @Transactional
    public UUID note(Viewer viewer, UUID fileId, @Nullable LocalDate day, @Nullable String words) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        if (day == null) {
            throw Refusal.invalid("day", "Choose the day of the visit.");
        }
        if (day.isAfter(calendar.today().plusYears(YEARS_AHEAD))) {
            throw Refusal.invalid("day", "A visit can be noted up to " + YEARS_AHEAD + " years ahead.");
        }
        String said = words == null || words.isBlank() ? null : words.strip();
        if (said != null && said.length() > LONGEST) {
            throw Refusal.invalid("words", "A visit has up to " + LONGEST + " letters.");
        }
        Visit visit = visits.save(new Visit(fileId, day, said, viewer.name()));
        trail.record(AuditEntry.ofFile(viewer.actor(), "visit-noted", fileId, "noted " + told(day, said)));
        return visit.id();
    }

    @Transactional
    public void remove(Viewer viewer, UUID fileId, UUID id) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        Visit visit = visits.findByIdAndFileId(id, fileId).orElseThrow(() -> Refusal.notFound("visit"));
        visits.delete(visit);
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "visit-removed", fileId, "removed " + told(visit.day(), visit.words())));
    }

    private static String told(LocalDate day, @Nullable String words) {
        return "the visit of " + day + (words == null ? "" : " (“" + words + "”)");
    }
}
