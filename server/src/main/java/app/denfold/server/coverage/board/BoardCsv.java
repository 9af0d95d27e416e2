package app.denfold.server.coverage.board;

import app.denfold.server.access.Viewer;
import app.denfold.server.practice.AsOf;
import app.denfold.server.practice.CsvText;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.stereotype.Component;

/** What the board shows as comma-separated values (RFC 4180), one line a file, one column a requirement. */
@Component
class BoardCsv {

    private final Board board;

    BoardCsv(Board board) {
        this.board = board;
    }

    void write(Viewer viewer, BoardFilter filter, String sort, boolean turned, AsOf day, Appendable out)
            throws IOException {
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            int offset = 0;
            Board.BoardPage page = board.page(viewer, filter, sort, turned, 0, Board.MOST_ROWS, day);
            csv.printRecord(head(page));
            while (!page.rows().isEmpty()) {
                for (Board.BoardRow row : page.rows()) {
                    csv.printRecord(line(page, row));
                }
                offset += page.rows().size();
                page = page.rows().size() < Board.MOST_ROWS
                        ? new Board.BoardPage(page.columns(), page.letters(), List.of())
                        : board.page(viewer, filter, sort, turned, offset, Board.MOST_ROWS, day);
            }
        }
    }

    private static List<String> head(Board.BoardPage page) {
        List<String> head = new ArrayList<>(List.of(
                "Number", "Name", "Kind", "Team", "Clear", "Clear through", "Open slots", "Open, not visible to you"));
        page.columns().forEach(c -> head.add(c.checklistLabel() + ": " + c.label()));
        return head.stream().map(CsvText::harmless).toList();
    }

    private static List<String> line(Board.BoardPage page, Board.BoardRow row) {
        List<String> line = new ArrayList<>(List.of(
                row.number(),
                CsvText.harmless(row.name()),
                row.kindLabel(),
                row.team() == null ? "" : CsvText.harmless(row.team()),
                row.clear() ? "yes" : "no",
                row.clearThrough() == null ? "" : row.clearThrough().toString(),
                String.valueOf(row.openSlots()),
                String.valueOf(row.hiddenOpen())));
        row.cells()
                .chars()
                .forEach(
                        letter -> line.add(Objects.requireNonNull(page.letters().get(String.valueOf((char) letter)))
                                .code()));
        return line;
    }
}
