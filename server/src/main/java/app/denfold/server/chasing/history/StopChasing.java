package app.denfold.server.chasing.history;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.addresses.SilentAddresses;
import app.denfold.server.chasing.addresses.SilentAddresses.UnreachableAnswer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.relations.PeopleAround;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stops plans from telling anybody about a person, with a reason and mostly an end. */
@Service
class StopChasing {

    private static final int MOST_YEARS = 5;

    private final ChaseStopRepository stops;
    private final PersonFiles files;
    private final PeopleAround around;
    private final SilentAddresses silent;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    StopChasing(
            ChaseStopRepository stops,
            PersonFiles files,
            PeopleAround around,
            SilentAddresses silent,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.around = around;
        this.silent = silent;
        this.stops = stops;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param until the last day; null for no end */
    public record StopAnswer(String reason, @Nullable LocalDate until, String by, Instant at) {}

    /** The one that holds today; empty when plans go on. */
    @Transactional(readOnly = true)
    public Optional<StopAnswer> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return holding(fileId).map(s -> new StopAnswer(s.reason(), s.untilDay(), s.byName(), s.at()));
    }

    private Optional<ChaseStop> holding(UUID fileId) {
        return stops.findByFileIdInAndEndedAtIsNull(List.of(fileId)).stream()
                .filter(s -> s.holdsOn(calendar.today()))
                .findFirst();
    }

    /** Addresses of the person, and of those around them, from which mails came back. */
    @Transactional(readOnly = true)
    public List<UnreachableAnswer> unreachable(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        List<String> addresses = Stream.concat(
                        Stream.ofNullable(file.email()),
                        around.around(viewer, fileId).stream().flatMap(s -> Stream.ofNullable(s.email())))
                .toList();
        return List.copyOf(silent.unreachableAmong(addresses).values());
    }

    /** @throws Refusal when plans are stopped already, or the reason is missing, or the day is past or far off */
    @Transactional
    public void stop(Viewer viewer, UUID fileId, @Nullable String reason, @Nullable LocalDate until) {
        viewer.requireChange();
        PersonFile file = files.visible(viewer, fileId);
        if (reason == null || reason.isBlank() || reason.length() > 300) {
            throw Refusal.invalid("reason", "Say why, in up to 300 letters.");
        }
        LocalDate today = calendar.today();
        if (until != null && (until.isBefore(today) || until.isAfter(today.plusYears(MOST_YEARS)))) {
            throw Refusal.invalid("until", "Choose a day from today on, within five years.");
        }
        files.lock(List.of(fileId));
        if (holding(fileId).isPresent()) {
            throw Refusal.conflict("stopped-already", "Notices about " + file.name() + " are stopped already.");
        }
        stops.save(new ChaseStop(fileId, reason.strip(), until, viewer, calendar.now()));
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "chasing-stopped",
                fileId,
                "stopped notices" + (until == null ? "" : " until " + PracticeCalendar.words(until)) + ": "
                        + reason.strip()));
    }

    /** Plans go on. @throws Refusal when they were not stopped */
    @Transactional
    public void goOn(Viewer viewer, UUID fileId) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        holding(fileId)
                .orElseThrow(() -> Refusal.conflict("not-stopped", "Notices are not stopped here."))
                .end(viewer, calendar.now());
        trail.record(AuditEntry.ofFile(viewer.actor(), "chasing-goes-on", fileId, "let notices go on"));
    }

    List<ChaseStop> ofFiles(Collection<UUID> fileIds) {
        return stops.findByFileIdInAndEndedAtIsNull(fileIds);
    }
}
