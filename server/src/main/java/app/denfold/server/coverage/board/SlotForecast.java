package app.denfold.server.coverage.board;

import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What falls open in the weeks ahead, read from stored slots. */
@Service
class SlotForecast {

    private static final int MOST_NAMED = 500;

    private final BoardStore find;
    private final EvaluateFile evaluate;
    private final PracticeCalendar calendar;

    SlotForecast(BoardStore find, EvaluateFile evaluate, PracticeCalendar calendar) {
        this.find = find;
        this.evaluate = evaluate;
        this.calendar = calendar;
    }

    /** What lapses or falls due in the weeks ahead if nothing new comes in. */
    @Transactional(readOnly = true)
    public List<ForecastWeek> weeks(Viewer viewer, BoardFilter filter, int weeks) {
        LocalDate first = calendar.today().plusDays(1);
        BoardStore.Scope scope = BoardStore.Scope.of(viewer, filter, evaluate.visibleRules(viewer));
        long[] lapses = new long[weeks];
        long[] due = new long[weeks];
        for (BoardStore.Fall fall : find.falls(scope, first, first.plusDays(7L * weeks - 1))) {
            int week = (int) ((fall.on().toEpochDay() - first.toEpochDay()) / 7);
            (fall.to().isLapse() ? lapses : due)[week] += fall.count();
        }
        List<ForecastWeek> result = new ArrayList<>();
        for (int i = 0; i < weeks; i++) {
            LocalDate from = first.plusDays(7L * i);
            result.add(new ForecastWeek(from, from.plusDays(6), lapses[i], due[i]));
        }
        return result;
    }

    /** @param lapses slots no longer covered @param due slots that fall due and are empty */
    public record ForecastWeek(LocalDate from, LocalDate to, long lapses, long due) {}

    /** A slot that falls open, and whose. */
    public record FallingAnswer(UUID fileId, String number, String name, String label, LocalDate on, Status status) {}

    /** Who that is, for the days from the first to the last, both included. */
    @Transactional(readOnly = true)
    public List<FallingAnswer> falling(Viewer viewer, BoardFilter filter, LocalDate from, LocalDate to) {
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        return find.falling(BoardStore.Scope.of(viewer, filter, rules), from, to, MOST_NAMED).stream()
                .map(s -> new FallingAnswer(
                        s.fileId(),
                        s.number(),
                        (s.givenName() + " " + s.familyName()).strip(),
                        rules.label(s.checklist(), s.requirement()),
                        s.on(),
                        s.to()))
                .toList();
    }
}
