package app.denfold.server.practice;

import java.time.LocalDate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.util.unit.DataSize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What anyone may know of the practice, also before signing in. */
@RestController
@RequestMapping("/api/practice")
class PracticeController {

    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final DataSize uploadLimit;

    PracticeController(
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${spring.servlet.multipart.max-file-size}") DataSize uploadLimit) {
        this.settings = settings;
        this.calendar = calendar;
        this.uploadLimit = uploadLimit;
    }

    /**
     * @param zone the practice's time zone, by its IANA name
     * @param dayOrder how 3/4/2026 is meant
     * @param weekStart with which day weeks begin, by ISO 8601: 1 for Monday, 7 for Sunday
     * @param uploadLimit the most bytes of one file
     */
    record PracticeAnswer(
            String name,
            String colour,
            LocalDate today,
            String zone,
            DayOrder dayOrder,
            int weekStart,
            long uploadLimit) {}

    @GetMapping
    PracticeAnswer practice() {
        return new PracticeAnswer(
                settings.name(),
                settings.colour(),
                calendar.today(),
                settings.zone().getId(),
                settings.dayOrder(),
                settings.weekStart().getValue(),
                uploadLimit.toBytes());
    }
}
