package app.denfold.core.dates;

import app.denfold.core.dates.Labels.Label;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The lines of a page, and headings that stand above a day: in a row over columns, or on the line before it. */
final class Columns {

    /** A heading row is looked for so many lines above. */
    private static final int MOST_ROWS = 200;

    private static final Pattern GAP =
            Pattern.compile("\\s{2,}|\\t+|\\s*\\|\\s*|\\s*;\\s*|\\.\\s+(?=\\p{Lu})|,\\s+(?=\\p{L})");

    private record Cell(int start, int end) {}

    private record Line(int start, int end) {}

    private final String text;
    private final List<Line> lines = new ArrayList<>();
    private final Map<Integer, Facts> known = new HashMap<>();

    Columns(String text) {
        this.text = text;
        int at = 0;
        while (at <= text.length()) {
            int end = text.indexOf('\n', at);
            end = end < 0 ? text.length() : end;
            lines.add(new Line(at, end));
            at = end + 1;
        }
    }

    private int lineOf(int at) {
        int low = 0;
        int high = lines.size() - 1;
        while (low < high) {
            int middle = (low + high) / 2;
            if (at <= lines.get(middle).end()) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /** What is asked of a line again and again, for every day below it. */
    private record Facts(List<Cell> cells, List<Label> labels, boolean hasDay) {}

    private Facts facts(int row) {
        return known.computeIfAbsent(row, r -> {
            Line line = lines.get(r);
            boolean hasDay =
                    !Notations.in(text.substring(line.start(), line.end())).isEmpty();
            return new Facts(cells(line), hasDay ? List.of() : Labels.in(text, line.start(), line.end()), hasDay);
        });
    }

    int startOfLine(int at) {
        return lines.get(lineOf(at)).start();
    }

    /** Where the cell begins in which a character stands: the line, or behind a wide gap, a bar or a sentence's end. */
    int startOfCell(int at) {
        Line line = lines.get(lineOf(at));
        Matcher gap = GAP.matcher(text).region(line.start(), at);
        int from = line.start();
        while (gap.find()) {
            from = gap.end();
        }
        return from;
    }

    int endOfLine(int at) {
        return lines.get(lineOf(at)).end();
    }

    private List<Cell> cells(Line line) {
        List<Cell> cells = new ArrayList<>();
        Matcher gap = GAP.matcher(text).region(line.start(), line.end());
        int from = line.start();
        while (gap.find()) {
            add(cells, from, gap.start());
            from = gap.end();
        }
        add(cells, from, line.end());
        return cells;
    }

    private void add(List<Cell> cells, int from, int to) {
        if (!text.substring(from, to).isBlank()) {
            cells.add(new Cell(from, to));
        }
    }

    /** @param label empty where the heading of the column tells nothing that is known */
    record Heading(Optional<Label> label) {}

    /** The heading of the column in which a day stands: of a row above with labels over several columns, and no day. */
    Optional<Heading> heading(int at) {
        int row = lineOf(at);
        List<Cell> own = facts(row).cells();
        int place = place(own, at);
        if (own.size() < 2 && (own.isEmpty() || at == own.get(0).start())) {
            return Optional.empty();
        }
        for (int above = row - 1; above >= 0 && above >= row - MOST_ROWS; above--) {
            Line line = lines.get(above);
            List<Cell> cells = facts(above).cells();
            List<Label> labels = facts(above).labels();
            boolean isHeading = cells.size() >= 2 && !labels.isEmpty();
            if (isHeading) {
                Cell over = cells.size() == own.size()
                        ? cells.get(place)
                        : nearest(cells, at - lines.get(row).start(), line);
                return Optional.of(new Heading(labels.stream()
                        .filter(l -> l.start() >= over.start() && l.end() <= over.end())
                        .findFirst()));
            }
        }
        return Optional.empty();
    }

    private static int place(List<Cell> cells, int at) {
        for (int i = 0; i < cells.size(); i++) {
            if (at < cells.get(i).end()) {
                return i;
            }
        }
        return Math.max(0, cells.size() - 1);
    }

    private static Cell nearest(List<Cell> cells, int column, Line line) {
        Cell best = cells.get(0);
        for (Cell cell : cells) {
            if (Math.abs(cell.start() - line.start() - column) < Math.abs(best.start() - line.start() - column)) {
                best = cell;
            }
        }
        return best;
    }

    /** The label on the line above a day that stands at the beginning of its line, if that line is nothing but labels. */
    Optional<Label> above(int at) {
        int row = lineOf(at);
        if (!text.substring(lines.get(row).start(), at).isBlank()) {
            return Optional.empty();
        }
        for (int above = row - 1; above >= Math.max(0, row - 2); above--) {
            Line line = lines.get(above);
            if (!text.substring(line.start(), line.end()).isBlank()) {
                return facts(above).hasDay()
                        ? Optional.empty()
                        : Labels.last(facts(above).labels());
            }
        }
        return Optional.empty();
    }
}
