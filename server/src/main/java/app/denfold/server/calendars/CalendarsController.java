package app.denfold.server.calendars;

import app.denfold.server.access.Viewer;
import app.denfold.server.calendars.CalendarFeed.Reach;
import app.denfold.server.calendars.Calendars.FeedAnswer;
import app.denfold.server.calendars.Calendars.MadeFeed;
import app.denfold.server.calendars.Calendars.Told;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CalendarsController {

    private static final String CALENDAR = "text/calendar;charset=UTF-8";

    private final Calendars calendars;
    private final WriteCalendar write;

    CalendarsController(Calendars calendars, WriteCalendar write) {
        this.calendars = calendars;
        this.write = write;
    }

    /** @param fileId for {@code FILE} @param team for {@code TEAM} */
    record FeedRequest(
            @NotNull Reach reach,
            @Nullable UUID fileId,
            @Nullable String team) {}

    @GetMapping("/api/calendars")
    List<FeedAnswer> mine(Viewer viewer) {
        return calendars.of(viewer);
    }

    @PostMapping("/api/calendars")
    @ResponseStatus(HttpStatus.CREATED)
    MadeFeed make(Viewer viewer, @Valid @RequestBody FeedRequest body) {
        return calendars.make(viewer, body.reach(), body.fileId(), body.team());
    }

    @DeleteMapping("/api/calendars/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Viewer viewer, @PathVariable UUID id) {
        calendars.end(viewer, id);
    }

    /** One file's, to be saved. */
    @GetMapping(path = "/api/files/{id}/calendar", produces = CALENDAR)
    ResponseEntity<String> ofFile(Viewer viewer, @PathVariable UUID id) {
        return answer(calendars.ofFile(viewer, id), true);
    }

    /** For calendar programs, which know the address and nothing else. */
    @GetMapping(path = "/api/calendar-feeds/{token}/papers.ics", produces = CALENDAR)
    ResponseEntity<String> feed(@PathVariable String token) {
        return answer(calendars.told(token), false);
    }

    private ResponseEntity<String> answer(Told told, boolean isSaved) {
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok().cacheControl(CacheControl.noStore());
        if (isSaved) {
            answer.header(
                    HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.attachment()
                            .filename(told.name() + ".ics", StandardCharsets.UTF_8)
                            .build()
                            .toString());
        }
        return answer.body(write.of(told));
    }
}
