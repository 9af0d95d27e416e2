package app.denfold.server.practice;

import app.denfold.server.problems.Refusal;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
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
        return look().name();
    }

    /** How it shows itself. */
    public PracticeLook look() {
        return practice()
                .map(Practice::look)
                .orElse(new PracticeLook("Den Fold", "", "#3b4f63", List.of("en"), null, null));
    }

    @Transactional
    public void show(PracticeLook look) {
        founded().show(look);
    }

    /** Its mark as PNG; empty when it has none. */
    public Optional<byte[]> mark() {
        return practice().map(Practice::mark);
    }

    /** Of the mark's bytes, by which a new one is told from an older; empty when there is no mark. */
    public Optional<String> markSha256() {
        return practice().map(Practice::markSha256);
    }

    /** @param png null for none */
    @Transactional
    public void mark(byte @Nullable [] png, @Nullable String sha256) {
        founded().mark(png, sha256);
    }

    /** Names of the roles that are let in only with a second factor. */
    public List<String> secondFactorRoles() {
        return practice().map(Practice::secondFactorRoles).orElse(List.of());
    }

    @Transactional
    public void demandSecondFactor(List<String> roles) {
        founded().demandSecondFactor(roles);
    }

    /** Names of what people with an account may do in their own file. */
    public List<String> ownFileDeeds() {
        return practice().map(Practice::ownFileDeeds).orElse(List.of());
    }

    @Transactional
    public void allowInOwnFile(List<String> deeds) {
        founded().allowInOwnFile(deeds);
    }

    public SessionLimits sessionLimits() {
        return practice().map(Practice::sessionLimits).orElse(SessionLimits.USUAL);
    }

    @Transactional
    public void limit(SessionLimits limits) {
        founded().limit(limits);
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
        founded().keepDays(zone, order, weekStart);
    }

    /** True once {@link #found} was called. */
    public boolean isFounded() {
        return practice().isPresent();
    }

    @Transactional
    public void found(String name, ZoneId zone, String colour) {
        practices.save(new Practice(name, zone, colour));
    }

    private Practice founded() {
        return practice().orElseThrow(() -> Refusal.notFound("practice"));
    }

    private Optional<Practice> practice() {
        return practices.findById((short) 1);
    }
}
