package app.denfold.server.coverage.board;

import app.denfold.server.access.Viewer;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How many files stand. */
@RestController
@RequestMapping("/api/board")
class BoardController {

    private static final int WEEKS = 26;

    private final Board board;
    private final SlotForecast forecast;
    private final BoardCsv csv;
    private final PracticeCalendar calendar;

    BoardController(Board board, SlotForecast forecast, BoardCsv csv, PracticeCalendar calendar) {
        this.board = board;
        this.forecast = forecast;
        this.csv = csv;
        this.calendar = calendar;
    }

    /**
     * @param sort {@code name}, {@code number}, {@code team}, {@code clear} or {@code activity}
     * @param known {@code then} for what was known on the day, otherwise what is known now
     */
    @GetMapping
    Board.BoardPage page(
            Viewer viewer,
            @ParameterObject BoardFilter filter,
            @RequestParam(defaultValue = "name") String sort,
            @RequestParam(defaultValue = "false") boolean turned,
            @RequestParam(defaultValue = "0") int offset,
            @RequestParam(defaultValue = "100") int limit,
            @RequestParam(required = false) LocalDate asOf,
            @RequestParam(required = false) String known) {
        return board.page(viewer, filter, sort, turned, offset, limit, calendar.asOf(asOf, known));
    }

    @GetMapping("/counts")
    Board.BoardCounts counts(
            Viewer viewer,
            @ParameterObject BoardFilter filter,
            @RequestParam(required = false) LocalDate asOf,
            @RequestParam(required = false) String known) {
        return board.counts(viewer, filter, calendar.asOf(asOf, known));
    }

    @GetMapping("/teams")
    List<String> teams(Viewer viewer) {
        return board.teams(viewer);
    }

    /** 26 weeks from tomorrow on. */
    @GetMapping("/forecast")
    List<SlotForecast.ForecastWeek> forecast(Viewer viewer, @ParameterObject BoardFilter filter) {
        return forecast.weeks(viewer, filter, WEEKS);
    }

    @GetMapping("/falling")
    List<SlotForecast.FallingAnswer> falling(
            Viewer viewer,
            @ParameterObject BoardFilter filter,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        return forecast.falling(viewer, filter, from, to);
    }

    @GetMapping(path = "/csv", produces = "text/csv")
    void csv(
            Viewer viewer,
            @ParameterObject BoardFilter filter,
            @RequestParam(defaultValue = "name") String sort,
            @RequestParam(defaultValue = "false") boolean turned,
            @RequestParam(required = false) LocalDate asOf,
            @RequestParam(required = false) String known,
            HttpServletResponse response)
            throws IOException {
        response.setContentType("text/csv; charset=utf-8");
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.setHeader("Content-Disposition", "attachment; filename=\"coverage.csv\"");
        csv.write(viewer, filter, sort, turned, calendar.asOf(asOf, known), response.getWriter());
    }
}
