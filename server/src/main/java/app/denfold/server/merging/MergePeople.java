package app.denfold.server.merging;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.PersonState;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts two files of one person together. For a day it can be taken back. */
@Service
class MergePeople {

    private final PersonMergeRepository merges;
    private final PersonFiles files;
    private final List<FollowsMerge> followers;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final EntityManager entities;

    MergePeople(
            PersonMergeRepository merges,
            PersonFiles files,
            List<FollowsMerge> followers,
            AuditTrail trail,
            PracticeCalendar calendar,
            ApplicationEventPublisher events,
            EntityManager entities) {
        this.merges = merges;
        this.files = files;
        this.followers = followers;
        this.trail = trail;
        this.calendar = calendar;
        this.events = events;
        this.entities = entities;
    }

    /** The two files, if they can be of one person. @throws Refusal when they cannot, or the viewer may not merge */
    PersonFile[] both(Viewer viewer, UUID keptId, UUID goneId) {
        viewer.requireAdministrator();
        if (keptId.equals(goneId)) {
            throw Refusal.invalid("gone", "This is one and the same file; a person cannot be merged with himself.");
        }
        PersonFile kept = files.visible(viewer, keptId);
        PersonFile gone = files.visible(viewer, goneId);
        if (!kept.kind().equals(gone.kind())) {
            throw Refusal.invalid(
                    "gone",
                    "The two files are of different kinds; somebody who is both has a file of each. Relations tell that"
                            + " they are one.");
        }
        return new PersonFile[] {kept, gone};
    }

    /** What lies in a file and would go along, in words. */
    List<String> along(UUID file) {
        return followers.stream()
                .map(f -> {
                    int count = f.count(file);
                    return count == 0 ? "" : f.words(count);
                })
                .filter(words -> !words.isEmpty())
                .toList();
    }

    /** What keeps the files from being merged now, in sentences. */
    List<String> hindrances(Viewer viewer, UUID gone, UUID kept) {
        return followers.stream()
                .flatMap(f -> f.hindrances(viewer, gone, kept).stream())
                .distinct()
                .toList();
    }

    /**
     * Moves all that lies in one file into another of the same person and closes the first.
     *
     * @param keptVersion and goneVersion of the files as the viewer looked at them
     * @param fromGone of what the closed file's value is to hold: names among {@link PersonState#values}
     * @throws Refusal when the files cannot be merged, or one was changed meanwhile
     */
    @Transactional
    public UUID merge(Viewer viewer, UUID keptId, int keptVersion, UUID goneId, int goneVersion, Set<String> fromGone) {
        both(viewer, keptId, goneId);
        files.lockWholly(List.of(keptId, goneId));
        PersonFile kept = files.visible(viewer, keptId);
        PersonFile gone = files.visible(viewer, goneId);
        entities.refresh(kept);
        entities.refresh(gone);
        if (kept.version() != keptVersion || gone.version() != goneVersion) {
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "Somebody else changed one of the files meanwhile. Nothing was merged; look at them again.");
        }
        refuse(hindrances(viewer, goneId, keptId));
        PersonState before = kept.state();
        PersonState after = MergeStates.together(kept, before, gone, gone.state(), fromGone);
        List<String> along = along(goneId);
        PersonMerge merge = merges.save(new PersonMerge(keptId, goneId, before, after, viewer.name(), calendar.now()));
        String goneName = gone.number() + " of " + gone.name();
        files.mergeInto(goneId, keptId, after);
        entities.flush();
        Map<String, List<String>> moved = new LinkedHashMap<>();
        followers.forEach(f -> moved.put(f.name(), f.follow(goneId, keptId)));
        merge.took(moved);
        String what = along.isEmpty() ? "" : ", with " + String.join(", ", along);
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "merged", keptId, "merged the file " + goneName + " into this one" + what));
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "merged-away",
                goneId,
                "merged this file into " + kept.number() + " of " + kept.name()));
        events.publishEvent(new PersonChanged(keptId));
        return merge.id();
    }

    private static void refuse(List<String> hindrances) {
        if (!hindrances.isEmpty()) {
            throw Refusal.conflict("hindered", String.join(" ", hindrances), Map.of("hindrances", hindrances));
        }
    }

    /**
     * Takes a merge back: what went along returns as far as it still lies in the file, what was changed of the person
     * since stays.
     *
     * @return the file that is open again
     * @throws Refusal when a day has gone by, it was taken back already, or its file was merged into another one since
     */
    @Transactional
    public UUID undo(Viewer viewer, UUID id) {
        viewer.requireAdministrator();
        PersonMerge merge = merges.findById(id).orElseThrow(() -> Refusal.notFound("merge"));
        UUID keptId = merge.keptId();
        UUID goneId = merge.goneId();
        files.lockWholly(List.of(keptId, goneId));
        entities.refresh(merge);
        if (merge.isUndone()) {
            throw Refusal.conflict("undone", "This merge was taken back already.");
        }
        Instant now = calendar.now();
        if (!merge.isUndoable(now)) {
            throw Refusal.conflict("too-late", "A merge can be taken back for a day; this one is older.");
        }
        PersonFile kept = files.visible(viewer, keptId);
        entities.refresh(kept);
        refuse(hindrances(viewer, keptId, keptId));
        PersonFile gone = files.unmerge(goneId, keptId, MergeStates.apart(kept.state(), merge.before(), merge.after()));
        merge.undo(viewer.name(), now);
        entities.flush();
        followers.forEach(f -> f.goBack(goneId, keptId, merge.moved(f.name())));
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "merge-undone",
                keptId,
                "took back the merge with the file " + gone.number() + " of " + gone.name()));
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "merge-undone", goneId, "opened this file again, apart from " + kept.number()));
        events.publishEvent(new PersonChanged(goneId));
        events.publishEvent(new PersonChanged(keptId));
        return goneId;
    }

    /** @param number and name of the file that was merged */
    public record MergeAnswer(UUID id, String number, String name, String by, Instant at, Instant undoableUntil) {}

    /** What was merged into a file and can still be taken back, the last first. */
    @Transactional(readOnly = true)
    public List<MergeAnswer> undoable(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        Instant now = calendar.now();
        return merges.findByKeptIdAndUndoneAtIsNullOrderByAtDesc(fileId).stream()
                .filter(m -> m.isUndoable(now))
                .map(m -> {
                    PersonFile gone = files.merged(m.goneId());
                    return new MergeAnswer(m.id(), gone.number(), gone.name(), m.byName(), m.at(), m.undoableUntil());
                })
                .toList();
    }
}
