package app.denfold.server.coverage.board;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Condition;
import app.denfold.core.rules.FileStanding;
import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import app.denfold.core.rules.Verdict;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.practice.AsOf;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** People by requirements: how each slot of each file stands, today from stored slots, on other days evaluated. */
@Service
public class Board {

    /** How many rows are given at once. */
    static final int MOST_ROWS = 500;

    /** How many files a past day is evaluated for when their standing decides the order or the choice. */
    static final int MOST_EVALUATED = 5_000;

    private final BoardStore find;
    private final EvaluateFile evaluate;
    private final PracticeCalendar calendar;

    Board(BoardStore find, EvaluateFile evaluate, PracticeCalendar calendar) {
        this.find = find;
        this.evaluate = evaluate;
        this.calendar = calendar;
    }

    /** @param blocking as the requirement stands today */
    public record Column(String checklist, String checklistLabel, String requirement, String label, boolean blocking) {}

    /**
     * @param clear whether it is, whatever of it the viewer may see
     * @param clearThrough null when not clear, or clear without end
     * @param openSlots blocking ones that are open and that the viewer may see
     * @param hiddenOpen how many are open besides
     * @param cells one letter for each column in their order: {@link #letter}
     */
    public record BoardRow(
            UUID id,
            String number,
            String kind,
            String kindLabel,
            String name,
            @Nullable LocalDate birthDate,
            @Nullable String team,
            boolean clear,
            @Nullable LocalDate clearThrough,
            int openSlots,
            int hiddenOpen,
            Instant lastActivityAt,
            String cells) {}

    /** @param letters which status each letter of the cells means */
    public record BoardPage(List<Column> columns, Map<String, Status> letters, List<BoardRow> rows) {}

    /** @param statuses how many slots have each status; empty where there are too many files to ask about another day */
    public record BoardCounts(long files, long clear, Map<Status, Long> statuses) {}

    /** The letter of a status in the cells of a row; a dot is not applicable. */
    static char letter(Status status) {
        return switch (status) {
            case NOT_APPLICABLE -> '.';
            case WAIVED -> 'w';
            case ON_FILE -> 'f';
            case EXPIRING -> 'e';
            case IN_GRACE -> 'g';
            case IN_REVIEW -> 'r';
            case AWAITING_SIGNATURE -> 's';
            case LAPSED -> 'l';
            case SENT_BACK -> 'b';
            case NOT_YET_DUE -> 'n';
            case MISSING -> 'm';
        };
    }

    private static final Map<String, Status> LETTERS =
            Arrays.stream(Status.values()).collect(Collectors.toMap(s -> String.valueOf(letter(s)), s -> s));

    /** @param limit at most {@value #MOST_ROWS} */
    @Transactional(readOnly = true)
    public BoardPage page(
            Viewer viewer, BoardFilter filter, String sort, boolean turned, int offset, int limit, AsOf day) {
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        List<Column> columns = columns(rules, filter, day.on());
        BoardStore.Scope scope = BoardStore.Scope.of(viewer, filter, rules);
        BoardSort order = BoardSort.of(sort);
        int most = Math.max(1, Math.min(limit, MOST_ROWS));
        List<BoardRow> rows = isToday(day)
                ? today(scope, order, turned, Math.max(0, offset), most, columns, rules)
                : past(scope, order, turned, Math.max(0, offset), most, columns, rules, day);
        return new BoardPage(columns, LETTERS, rows);
    }

    private boolean isToday(AsOf day) {
        LocalDate today = calendar.today();
        return day.on().equals(today) && day.known().equals(today);
    }

    /** The requirements asked of anyone on the day, in the order of the checklists. */
    private static List<Column> columns(Catalog.Rules rules, BoardFilter filter, LocalDate day) {
        Map<String, Column> columns = new LinkedHashMap<>();
        for (Checklist list : rules.book().checklists()) {
            boolean isWanted =
                    !BoardFilter.isGiven(filter.checklist()) || list.code().equals(filter.checklist());
            if (isWanted && list.inForce().contains(day) && isOfKind(list.appliesWhen(), filter)) {
                list.requirements().stream()
                        .filter(r -> isOfKind(r.appliesWhen(), filter))
                        .forEach(r -> columns.put(list.code() + "/" + r.code(), column(rules, list.code(), r)));
            }
        }
        return List.copyOf(columns.values());
    }

    private static Column column(Catalog.Rules rules, String list, Requirement requirement) {
        return new Column(
                list,
                Objects.requireNonNull(rules.checklistLabels().get(list)),
                requirement.code(),
                rules.label(list, requirement.code()),
                requirement.level() == Requirement.Level.BLOCKING);
    }

    private static boolean isOfKind(Condition condition, BoardFilter filter) {
        return !BoardFilter.isGiven(filter.kind()) || condition.mayHoldFor(Objects.requireNonNull(filter.kind()));
    }

    private List<BoardRow> today(
            BoardStore.Scope scope,
            BoardSort order,
            boolean turned,
            int offset,
            int limit,
            List<Column> columns,
            Catalog.Rules rules) {
        List<BoardStore.FileLine> files = find.files(scope, order.order(turned), offset, limit);
        Places places = new Places(columns);
        Map<UUID, Cells> cells = new HashMap<>();
        files.forEach(f -> cells.put(f.id(), new Cells(places)));
        find.slotsOf(cells.keySet(), scope.filter().checklist())
                .forEach(s ->
                        Objects.requireNonNull(cells.get(s.fileId())).put(s.checklist(), s.requirement(), s.status()));
        Map<UUID, Integer> hidden = find.countHiddenOpen(scope, cells.keySet());
        Map<String, String> labels = rules.kindLabels();
        return files.stream()
                .map(f -> row(
                        f,
                        labels,
                        Objects.requireNonNull(cells.get(f.id())),
                        verdict(f, hidden.getOrDefault(f.id(), 0))))
                .toList();
    }

    private static Verdict verdict(BoardStore.FileLine file, int hiddenOpen) {
        return Verdict.kept(file.clear(), file.clearThrough(), file.openBlocking(), hiddenOpen);
    }

    private static BoardRow row(BoardStore.FileLine f, Map<String, String> labels, Cells cells, Verdict verdict) {
        return new BoardRow(
                f.id(),
                f.number(),
                f.kind(),
                Objects.requireNonNull(labels.get(f.kind())),
                (f.givenName() + " " + f.familyName()).strip(),
                f.birthDate(),
                f.team(),
                verdict.clear(),
                verdict.clearThrough(),
                verdict.open(),
                verdict.hiddenOpen(),
                f.lastActivityAt(),
                cells.toString());
    }

    /** Which column a requirement has. */
    private static final class Places {
        private final Map<String, Map<String, Integer>> byChecklist = new HashMap<>();
        private final int count;

        Places(List<Column> columns) {
            count = columns.size();
            for (int i = 0; i < count; i++) {
                Column column = columns.get(i);
                byChecklist
                        .computeIfAbsent(column.checklist(), list -> new HashMap<>())
                        .put(column.requirement(), i);
            }
        }

        int count() {
            return count;
        }

        /** -1 when it has none. */
        int of(String checklist, String requirement) {
            return byChecklist.getOrDefault(checklist, Map.of()).getOrDefault(requirement, -1);
        }
    }

    /** The cells of a row, filled in any order. */
    private static final class Cells {
        private final Places places;
        private final char[] letters;

        Cells(Places places) {
            this.places = places;
            this.letters = new char[places.count()];
            Arrays.fill(letters, '.');
        }

        void put(String checklist, String requirement, Status status) {
            int place = places.of(checklist, requirement);
            if (place >= 0) {
                letters[place] = letter(status);
            }
        }

        boolean has(Status status) {
            return toString().indexOf(letter(status)) >= 0;
        }

        @Override
        public String toString() {
            return new String(letters);
        }
    }

    private List<BoardRow> past(
            BoardStore.Scope scope,
            BoardSort order,
            boolean turned,
            int offset,
            int limit,
            List<Column> columns,
            Catalog.Rules rules,
            AsOf day) {
        BoardFilter asked = scope.filter();
        boolean needsAll = order == BoardSort.CLEAR || asked.onlyOpen() || asked.wantedStatus() != null;
        BoardFilter stored = new BoardFilter(asked.kind(), asked.team(), null, null, null, asked.text());
        BoardStore.Scope persons = new BoardStore.Scope(scope.viewer(), stored, scope.visible());
        String by = (needsAll ? BoardSort.NAME : order).order(!needsAll && turned);
        List<UUID> ids = find.fileIds(persons, by, needsAll ? 0 : offset, needsAll ? MOST_EVALUATED + 1 : limit);
        if (ids.size() > MOST_EVALUATED) {
            throw Refusal.conflict(
                    "too-many-files",
                    "On another day at most " + MOST_EVALUATED + " files can be chosen or ordered by how they stood."
                            + " Narrow the selection by kind, team or text, or sort by name.");
        }
        List<PastRow> rows = evaluated(scope.viewer(), ids, columns, rules, day);
        if (!needsAll) {
            return rows.stream().map(PastRow::row).toList();
        }
        Comparator<PastRow> comparator = order == BoardSort.CLEAR ? PastRow.BY_CLEAR : (a, b) -> 0;
        return rows.stream()
                .filter(r -> !asked.onlyOpen() || !r.row.clear())
                .filter(r -> asked.wantedStatus() == null || r.cells.has(asked.wantedStatus()))
                .sorted(turned ? comparator.reversed() : comparator)
                .skip(offset)
                .limit(limit)
                .map(PastRow::row)
                .toList();
    }

    private record PastRow(BoardRow row, Cells cells) {
        static final Comparator<PastRow> BY_CLEAR = Comparator.comparing((PastRow r) -> r.row.clear())
                .thenComparing(r -> r.row.clearThrough(), Comparator.nullsLast(Comparator.<LocalDate>naturalOrder()));
    }

    private List<PastRow> evaluated(
            Viewer viewer, List<UUID> ids, List<Column> columns, Catalog.Rules rules, AsOf day) {
        Catalog.Rules all = evaluate.allRules();
        Map<UUID, BoardStore.FileLine> lines = new HashMap<>();
        Map<String, String> labels = rules.kindLabels();
        Map<UUID, Person> persons = new HashMap<>();
        for (int i = 0; i < ids.size(); i += MOST_ROWS) {
            List<UUID> some = ids.subList(i, Math.min(ids.size(), i + MOST_ROWS));
            find.filesById(some).forEach(f -> lines.put(f.id(), f));
            persons.putAll(evaluate.persons(some));
        }
        Places places = new Places(columns);
        List<PastRow> rows = new ArrayList<>();
        for (UUID id : ids) {
            KnownFile known = KnownFile.of(all.book(), Objects.requireNonNull(persons.get(id)), day.known());
            FileStanding standing = known.on(day.on());
            Cells cells = new Cells(places);
            for (RequirementAnswer a : standing.requirements()) {
                cells.put(a.checklist(), a.requirement(), a.status());
            }
            Verdict verdict = EvaluateFile.verdict(viewer, known, day.on());
            rows.add(new PastRow(row(Objects.requireNonNull(lines.get(id)), labels, cells, verdict), cells));
        }
        return rows;
    }

    /** How many files and slots there are, by status; on another day of the files that can be evaluated at once. */
    @Transactional(readOnly = true)
    public BoardCounts counts(Viewer viewer, BoardFilter filter, AsOf day) {
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        BoardStore.Scope scope = BoardStore.Scope.of(viewer, filter, rules);
        if (!isToday(day)) {
            return pastCounts(scope, rules, day);
        }
        BoardStore.FileCount files = find.countFiles(scope);
        return new BoardCounts(files.files(), files.clear(), find.countSlots(scope));
    }

    private BoardCounts pastCounts(BoardStore.Scope scope, Catalog.Rules rules, AsOf day) {
        BoardFilter asked = scope.filter();
        BoardFilter persons = new BoardFilter(asked.kind(), asked.team(), null, null, null, asked.text());
        long all = find.countFiles(new BoardStore.Scope(scope.viewer(), persons, scope.visible()))
                .files();
        if (all > MOST_EVALUATED && !asked.onlyOpen() && asked.wantedStatus() == null) {
            return new BoardCounts(all, 0, Map.of());
        }
        List<Column> columns = columns(rules, scope.filter(), day.on());
        List<BoardRow> rows = past(scope, BoardSort.CLEAR, false, 0, MOST_EVALUATED, columns, rules, day);
        Map<Status, Long> counts = new EnumMap<>(Status.class);
        for (Status status : Status.values()) {
            long count = rows.stream()
                    .mapToLong(r ->
                            r.cells().chars().filter(c -> c == letter(status)).count())
                    .sum();
            if (status != Status.NOT_APPLICABLE) {
                counts.put(status, count);
            }
        }
        return new BoardCounts(
                rows.size(), rows.stream().filter(BoardRow::clear).count(), counts);
    }

    public List<String> teams(Viewer viewer) {
        return find.teams(viewer);
    }

    /** A blocking slot that is open or about to be, and whose. */
    public record WaitingSlot(
            UUID fileId,
            String number,
            String name,
            String checklist,
            String requirement,
            String label,
            Status status,
            @Nullable LocalDate since,
            @Nullable LocalDate coveredThrough,
            @Nullable LocalDate due,
            @Nullable LocalDate nextChangeOn,
            @Nullable Status nextStatus) {}

    /** Slots of files the viewer may see with one of these statuses, longest standing first. */
    @Transactional(readOnly = true)
    public List<WaitingSlot> standing(Viewer viewer, List<Status> statuses, int most) {
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        return find.standing(BoardStore.Scope.of(viewer, BoardFilter.all(), rules), statuses, most).stream()
                .map(s -> new WaitingSlot(
                        s.fileId(),
                        s.number(),
                        (s.givenName() + " " + s.familyName()).strip(),
                        s.checklist(),
                        s.requirement(),
                        rules.label(s.checklist(), s.requirement()),
                        s.status(),
                        s.since(),
                        s.coveredThrough(),
                        s.due(),
                        s.nextChangeOn(),
                        s.nextStatus()))
                .toList();
    }
}
