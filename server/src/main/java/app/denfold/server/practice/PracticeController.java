package app.denfold.server.practice;

import app.denfold.server.problems.Refusal;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.util.unit.DataSize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
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
     * @param mark SHA-256 of its image, which is at {@code /api/practice/mark}; null when it has none
     * @param languages of its letters, by ISO 639-1, the usual one first
     * @param zone the practice's time zone, by its IANA name
     * @param dayOrder how 3/4/2026 is meant
     * @param weekStart with which day weeks begin, by ISO 8601: 1 for Monday, 7 for Sunday
     * @param uploadLimit the most bytes of one file
     */
    record PracticeAnswer(
            String name,
            String address,
            String colour,
            @Nullable String mark,
            List<String> languages,
            LocalDate today,
            String zone,
            DayOrder dayOrder,
            int weekStart,
            long uploadLimit) {}

    @GetMapping
    PracticeAnswer practice() {
        PracticeLook look = settings.look();
        return new PracticeAnswer(
                look.name(),
                look.address(),
                look.colour(),
                settings.markSha256().orElse(null),
                look.languages(),
                calendar.today(),
                settings.zone().getId(),
                settings.dayOrder(),
                settings.weekStart().getValue(),
                uploadLimit.toBytes());
    }

    /** What a device shows that keeps the page like an application; by the Web Application Manifest of the W3C. */
    record ManifestAnswer(
            String name,
            @JsonProperty("short_name") String shortName,
            @JsonProperty("start_url") String startUrl,
            String display,
            @JsonProperty("background_color") String backgroundColor,
            @JsonProperty("theme_color") String themeColor,
            List<Icon> icons) {

        record Icon(String src, String sizes, String type, String purpose) {}
    }

    private static final int SHORT = 12;

    @GetMapping(path = "/app.webmanifest", produces = "application/manifest+json")
    ManifestAnswer manifest() {
        PracticeLook look = settings.look();
        String first = look.name().strip().split("\\s+")[0];
        return new ManifestAnswer(
                look.name(),
                look.name().length() <= SHORT ? look.name() : first,
                "/",
                "standalone",
                "#f3f0ea",
                look.colour(),
                List.of(new ManifestAnswer.Icon("/assets/favicon.svg", "any", "image/svg+xml", "any")));
    }

    /** Its mark. @param v its SHA-256, so that a new one has a new address */
    @GetMapping(path = "/mark", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> mark(@RequestParam(required = false) String v) {
        byte[] png = settings.mark().orElseThrow(() -> Refusal.notFound("mark"));
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(v == null ? 0 : 365))
                        .cachePublic())
                .body(png);
    }
}
