package app.denfold.server.practice;

import app.denfold.server.problems.Refusal;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the practice is called and where it is. */
@Service
public class PracticeSettings {

    /** What WCAG 2.2 asks of words at level AA. */
    private static final double LEAST_CONTRAST = 4.5;

    private static final Set<String> LANGUAGES = Set.of(Locale.getISOLanguages());

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

    /** @throws Refusal when white words on the colour could hardly be read, or it is none, or a language is none */
    @Transactional
    public void show(PracticeLook look) {
        if (!look.colour().matches("#[0-9a-f]{6}")) {
            throw Refusal.invalid("colour", "The colour is no colour such as #3b4f63.");
        }
        if (Contrast.ofWhiteOn(look.colour()) < LEAST_CONTRAST) {
            throw Refusal.invalid(
                    "colour", "White words on this colour can hardly be read. Choose a darker one, please.");
        }
        look.languages().stream()
                .filter(l -> !LANGUAGES.contains(l))
                .findFirst()
                .ifPresent(l -> {
                    throw Refusal.invalid("languages", "There is no language “" + l + "”.");
                });
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

    public EvidenceAddresses evidenceAddresses() {
        return practice().map(Practice::evidenceAddresses).orElse(EvidenceAddresses.SHORT);
    }

    @Transactional
    public void evidenceAddresses(EvidenceAddresses shown) {
        founded().evidenceAddresses(shown);
    }

    /** Whether colleagues show password or second factor again when they sign. */
    public boolean confirmSigning() {
        return practice().map(Practice::confirmSigning).orElse(false);
    }

    @Transactional
    public void confirmSigning(boolean on) {
        founded().confirmSigning(on);
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
