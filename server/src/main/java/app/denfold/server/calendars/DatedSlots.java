package app.denfold.server.calendars;

import app.denfold.core.notices.Stand;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.slots.SlotsAhead;
import app.denfold.server.coverage.slots.SlotsAhead.SlotAhead;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The days on which slots lapse and are due, as far as somebody may know of them. */
@Component
class DatedSlots {

    /** Longer ago nobody looks into a calendar for it. */
    private static final int DAYS_BACK = 180;

    private static final int DAYS_AHEAD = 400;

    /** Calendar programs choke on more. */
    private static final int MOST = 3_000;

    private final SlotsAhead slots;
    private final Catalog catalog;
    private final PersonFiles files;
    private final PracticeCalendar calendar;

    DatedSlots(SlotsAhead slots, Catalog catalog, PersonFiles files, PracticeCalendar calendar) {
        this.slots = slots;
        this.catalog = catalog;
        this.files = files;
        this.calendar = calendar;
    }

    /**
     * One day of a slot.
     *
     * @param uid the same as long as it is the same slot and the same kind of day
     * @param summary such as {@code First aid certificate of Tamsin Korhola runs out}
     */
    record Dated(String uid, UUID fileId, LocalDate day, String summary, boolean isDue) {}

    /** The earliest first, past ones before; of everybody whom the viewer may see, or of a team of these. */
    @Transactional(readOnly = true)
    public List<Dated> ofPeople(Viewer viewer, @Nullable String team) {
        return found(viewer, slots.wantingBy(calendar.today().plusDays(DAYS_AHEAD)), team);
    }

    /** Of one file that the viewer may see. */
    @Transactional(readOnly = true)
    public List<Dated> ofFile(Viewer viewer, UUID fileId) {
        return found(viewer, slots.ofFiles(List.of(fileId)), null);
    }

    private List<Dated> found(Viewer viewer, List<SlotAhead> ahead, @Nullable String team) {
        Map<UUID, PersonFile> visible = visible(viewer, ahead, team);
        Catalog.Rules rules = catalog.rules();
        List<Dated> dated = new ArrayList<>();
        for (SlotAhead slot : ahead) {
            PersonFile file = visible.get(slot.key().fileId());
            String checklist = slot.key().checklist();
            String requirement = slot.key().requirement();
            if (file != null && viewer.maySeeAny(rules.typesOf(checklist, requirement))) {
                dated.addAll(dated(slot, file, rules.label(checklist, requirement)));
            }
        }
        LocalDate first = calendar.today().minusDays(DAYS_BACK);
        return dated.stream()
                .filter(d -> d.day().isAfter(first))
                .sorted(Comparator.comparing(Dated::day).thenComparing(Dated::uid))
                .limit(MOST)
                .toList();
    }

    private Map<UUID, PersonFile> visible(Viewer viewer, Collection<SlotAhead> ahead, @Nullable String team) {
        Set<UUID> ids = ahead.stream().map(s -> s.key().fileId()).collect(Collectors.toSet());
        Map<UUID, PersonFile> visible = new HashMap<>();
        files.files(ids).stream()
                .filter(f -> viewer.maySeeFile(f.id(), f.team()))
                .filter(f -> team == null || team.equals(f.team()))
                .forEach(f -> visible.put(f.id(), f));
        return visible;
    }

    private static List<Dated> dated(SlotAhead slot, PersonFile file, String label) {
        Stand stand = slot.stands().get(0);
        String of = slot.key().fileId() + "-" + slot.key().checklist() + "-"
                + slot.key().requirement() + "@denfold";
        List<Dated> dated = new ArrayList<>();
        if (stand.coveredThrough() != null && stand.status() != Status.WAIVED) {
            LocalDate last = Objects.requireNonNull(stand.coveredThrough());
            dated.add(new Dated("lapse-" + of, file.id(), last, label + " of " + file.name() + " runs out", false));
        }
        if (stand.due() != null && (stand.status() == Status.NOT_YET_DUE || stand.status() == Status.MISSING)) {
            LocalDate due = Objects.requireNonNull(stand.due());
            dated.add(new Dated("due-" + of, file.id(), due, label + " of " + file.name() + " is due", true));
        }
        return dated;
    }
}
