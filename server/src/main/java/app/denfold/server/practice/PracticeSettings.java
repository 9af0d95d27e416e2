package app.denfold.server.practice;

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
