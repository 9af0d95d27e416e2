package app.denfold.server.keeping;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps files beyond the rules, such as while a claim is open. */
@Service
public class HoldFiles {

    private static final int MOST_LETTERS = 300;
    private static final int MOST_YEARS = 30;

    private final KeepingHoldRepository holds;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    HoldFiles(KeepingHoldRepository holds, PersonFiles files, AuditTrail trail, PracticeCalendar calendar) {
        this.holds = holds;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param until the last day; null for no end */
    record KeepingHoldAnswer(String reason, @Nullable LocalDate until, String by, Instant at) {

        static KeepingHoldAnswer of(KeepingHold hold) {
            return new KeepingHoldAnswer(hold.reason(), hold.untilDay(), hold.byName(), hold.at());
        }
    }

    /** The one that holds today. Why, is for administrators: it may tell of a claim against somebody who works here. */
    @Transactional(readOnly = true)
    public Optional<KeepingHoldAnswer> of(Viewer viewer, UUID fileId) {
        viewer.requireAdministrator();
        files.visible(viewer, fileId);
        return holding(fileId).map(KeepingHoldAnswer::of);
    }

    Optional<KeepingHold> holding(UUID fileId) {
        LocalDate today = calendar.today();
        return holds.findByFileIdAndEndedAtIsNull(fileId).stream()
                .filter(h -> h.holdsOn(today))
                .findFirst();
    }

    /** All that hold today, by their files; of several of one file the first. */
    Map<UUID, KeepingHold> all() {
        LocalDate today = calendar.today();
        return holds.findByEndedAtIsNullOrderByAt().stream()
                .filter(h -> h.holdsOn(today))
                .collect(Collectors.toMap(KeepingHold::fileId, h -> h, (first, later) -> first, LinkedHashMap::new));
    }

    /** @throws Refusal when it is on hold already, the reason is missing, or the day is past or far off */
    @Transactional
    public void hold(Viewer viewer, UUID fileId, @Nullable String reason, @Nullable LocalDate until) {
        viewer.requireAdministrator();
        PersonFile file = files.visible(viewer, fileId);
        if (reason == null || reason.isBlank() || reason.length() > MOST_LETTERS) {
            throw Refusal.invalid("reason", "Say why, in up to " + MOST_LETTERS + " letters.");
        }
        LocalDate today = calendar.today();
        if (until != null && (until.isBefore(today) || until.isAfter(today.plusYears(MOST_YEARS)))) {
            throw Refusal.invalid("until", "Choose a day from today on, within thirty years.");
        }
        files.lock(List.of(fileId));
        if (holding(fileId).isPresent()) {
            throw Refusal.conflict("held-already", "The file of " + file.name() + " is on hold already.");
        }
        holds.save(new KeepingHold(fileId, reason.strip(), until, viewer, calendar.now()));
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "keeping-held",
                fileId,
                "put this file on hold" + (until == null ? "" : " until " + PracticeCalendar.words(until))));
    }

    /** The rules of keeping decide again. @throws Refusal when it was not on hold */
    @Transactional
    public void release(Viewer viewer, UUID fileId) {
        viewer.requireAdministrator();
        files.visible(viewer, fileId);
        files.lock(List.of(fileId));
        LocalDate today = calendar.today();
        List<KeepingHold> holding = holds.findByFileIdAndEndedAtIsNull(fileId).stream()
                .filter(h -> h.holdsOn(today))
                .toList();
        if (holding.isEmpty()) {
            throw Refusal.conflict("not-held", "This file is not on hold.");
        }
        holding.forEach(h -> h.end(viewer, calendar.now()));
        trail.record(AuditEntry.ofFile(viewer.actor(), "keeping-released", fileId, "ended the hold on this file"));
    }
}
