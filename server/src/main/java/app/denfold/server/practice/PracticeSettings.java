package app.denfold.server.practice;

import app.denfold.server.problems.Refusal;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the practice is called and where it is. */
@Service
public class PracticeSettings {

    private final PracticeRepository practices;
    private final ZoneId defaultZone;

    PracticeSettings(PracticeRepository practices, @Value("${denfold.zone}") ZoneId defaultZone) {
        this.practices = practices;
        this.defaultZone = defaultZone;
    }

    public String name() {
        return practice().map(Practice::name).orElse("Den Fold");
    }

    /** The colour of the practice's portal, as {@code #rrggbb}. */
    public String colour() {
        return practice().map(Practice::colour).orElse("#3b4f63");
    }

    public ZoneId zone() {
        return practice().map(Practice::zone).orElse(defaultZone);
    }

    public DayOrder dayOrder() {
        return practice().map(Practice::dayOrder).orElse(DayOrder.DAY_FIRST);
    }

    /** The day with which weeks begin in calendars. */
    public DayOfWeek weekStart() {
        return practice().map(Practice::weekStart).orElse(DayOfWeek.MONDAY);
    }

    /** How the practice counts and writes days from now on. */
    @Transactional
    public void keepDays(ZoneId zone, DayOrder order, DayOfWeek weekStart) {
        practice().orElseThrow(() -> Refusal.notFound("practice")).keepDays(zone, order, weekStart);
    }

    /** True once {@link #found} was called. */
    public boolean isFounded() {
        return practice().isPresent();
    }

    @Transactional
    public void found(String name, ZoneId zone, String colour) {
        practices.save(new Practice(name, zone, colour));
    }

    private Optional<Practice> practice() {
        return practices.findById((short) 1);
    }
}
