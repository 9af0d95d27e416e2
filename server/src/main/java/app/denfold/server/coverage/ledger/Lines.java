package app.denfold.server.coverage.ledger;

import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.SlotCourse;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.AsOf;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The slots of a file over time: when each was covered, lapsed, and what comes. */
@Service
class Lines {

    private static final int MOST_YEARS = 40;

    private final PersonFiles files;
    private final EvaluateFile evaluate;
    private final Catalog catalog;
    private final PracticeCalendar calendar;

    Lines(PersonFiles files, EvaluateFile evaluate, Catalog catalog, PracticeCalendar calendar) {
        this.files = files;
        this.evaluate = evaluate;
        this.catalog = catalog;
        this.calendar = calendar;
    }

    /** @param from first and @param to last day shown, both included */
    record LinesAnswer(LocalDate from, LocalDate to, LocalDate today, List<LineSection> sections) {}

    record LineSection(String label, List<Line> lines) {}

    record Line(
            String checklist,
            String requirement,
            String label,
            boolean blocking,
            Status status,
            List<LineStretch> stretches,
            List<LinePaper> papers) {}

    /** A run of days with one status, cut to what is shown; both ends included. */
    record LineStretch(LocalDate from, LocalDate to, Status status) {}

    /** A paper of the slot's types on the day it is dated. */
    record LinePaper(
            UUID id,
            String name,
            LocalDate documentDate,
            LocalDate receivedOn,
            @Nullable LocalDate enteredInErrorOn) {}

    /** @throws Refusal when the viewer may not see the file or the days make no window */
    @Transactional(readOnly = true)
    LinesAnswer of(Viewer viewer, UUID fileId, LocalDate from, LocalDate to, AsOf day) {
        if (to.isBefore(from)) {
            throw Refusal.invalid("to", "The last day lies before the first.");
        }
        if (from.plusYears(MOST_YEARS).isBefore(to)) {
            throw Refusal.invalid("to", "At most " + MOST_YEARS + " years are shown at once.");
        }
        EvaluateFile.Evaluated evaluated = evaluate.evaluate(files.visible(viewer, fileId), day.known());
        Map<String, List<Line>> bySection = evaluated.known().slots().stream()
                .filter(slot -> EvaluateFile.isVisible(viewer, slot, day.on()))
                .map(slot -> Map.entry(
                        evaluated.rules().sectionOf(slot.requirementOn(day.on())),
                        line(viewer, evaluated, slot, from, to, day)))
                .filter(entry ->
                        entry.getValue().stretches().stream().anyMatch(s -> s.status() != Status.NOT_APPLICABLE))
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
        List<LineSection> sections = new ArrayList<>();
        for (Section section : catalog.sections()) {
            if (bySection.containsKey(section.code())) {
                sections.add(new LineSection(section.label(), bySection.get(section.code())));
            }
        }
        return new LinesAnswer(from, to, calendar.today(), sections);
    }

    private static Line line(
            Viewer viewer, EvaluateFile.Evaluated evaluated, SlotCourse slot, LocalDate from, LocalDate to, AsOf day) {
        Requirement requirement = slot.requirementOn(day.on());
        List<LinePaper> papers = evaluated.documents().stream()
                .filter(d -> d.isOfAny(requirement.types())
                        && !d.receivedOn().isAfter(day.known())
                        && viewer.maySee(d.types()))
                .map(d -> new LinePaper(d.id(), d.name(), d.documentDate(), d.receivedOn(), d.enteredInErrorOn()))
                .toList();
        return new Line(
                slot.checklist(),
                slot.code(),
                evaluated.rules().label(slot.checklist(), slot.code()),
                requirement.level() == Requirement.Level.BLOCKING,
                slot.statusOn(day.on()),
                slot.stretches(from, to).stream()
                        .map(s -> new LineStretch(
                                s.window().firstDay().orElseThrow(),
                                s.window().lastDay().orElseThrow(),
                                s.status()))
                        .toList(),
                papers);
    }
}
