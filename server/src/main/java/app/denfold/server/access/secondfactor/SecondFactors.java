package app.denfold.server.access.secondfactor;

import app.denfold.server.access.AccessEvents.SecondFactorChanged;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The second factor of accounts: time-based codes by RFC 6238 with six digits, SHA-1 and 30 seconds, as devices expect. */
@Service
public class SecondFactors {

    private static final Duration STEP = Duration.ofSeconds(30);

    /** Clocks of devices may be so many steps off, as RFC 6238, 5.2 recommends. */
    private static final int STEPS_OFF = 1;

    /** RFC 4226 recommends 160 bits. */
    private static final int SECRET_BYTES = 20;

    private static final int RECOVERY_CODES = 10;

    /** So that a recovery code cannot be guessed from its hash: 80 bits. */
    private static final int RECOVERY_BYTES = 10;

    private final SecondFactorRepository factors;
    private final SecretBox box;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final TimeBasedOneTimePasswordGenerator codes = new TimeBasedOneTimePasswordGenerator(STEP);
    private final SecureRandom random = new SecureRandom();

    SecondFactors(
            SecondFactorRepository factors,
            SecretBox box,
            PracticeSettings settings,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.factors = factors;
        this.box = box;
        this.settings = settings;
        this.calendar = calendar;
        this.events = events;
    }

    /** @param secret in base 32, to be typed @param uri with everything in it, to be shown as a code */
    public record NewSecret(String secret, String uri) {}

    /** @param recoveryLeft how many recovery codes are not used yet @param demanded whether the role has to have it */
    public record Standing(boolean on, int recoveryLeft, boolean demanded) {}

    @Transactional(readOnly = true)
    public Standing standing(Viewer viewer) {
        Optional<SecondFactor> factor = factors.findById(viewer.accountId()).filter(SecondFactor::isConfirmed);
        return new Standing(
                factor.isPresent(), factor.map(SecondFactor::recoveryLeft).orElse(0), isDemanded(viewer.role()));
    }

    public boolean isOn(UUID accountId) {
        return factors.findById(accountId).filter(SecondFactor::isConfirmed).isPresent();
    }

    /** Whether the practice lets nobody of a role in without one. */
    public boolean isDemanded(Role role) {
        return settings.secondFactorRoles().contains(role.name());
    }

    /** A fresh secret, which holds once it is confirmed. @throws Refusal when there is one that holds */
    @Transactional
    public NewSecret begin(Viewer viewer) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        Optional<SecondFactor> known = factors.lock(viewer.accountId());
        if (known.filter(SecondFactor::isConfirmed).isPresent()) {
            throw Refusal.conflict("second-factor-on", "You have a second factor already. End it first.");
        }
        known.ifPresentOrElse(
                f -> f.beginAnew(box.seal(secret)),
                () -> factors.save(new SecondFactor(viewer.accountId(), box.seal(secret))));
        String words = new Base32().encodeToString(secret).replace("=", "");
        String issuer = encoded(settings.name());
        return new NewSecret(
                words,
                "otpauth://totp/" + issuer + ":" + encoded(viewer.email()) + "?secret=" + words + "&issuer=" + issuer);
    }

    private static String encoded(String words) {
        return URLEncoder.encode(words, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /**
     * The device shows the right code: from now on one is asked for at each sign-in.
     *
     * @return recovery codes, told this once
     * @throws Refusal when the code is wrong, or nothing was begun
     */
    @Transactional
    public List<String> confirm(Viewer viewer, String code) {
        SecondFactor factor = factors.lock(viewer.accountId())
                .filter(f -> !f.isConfirmed())
                .orElseThrow(() -> Refusal.conflict("nothing-begun", "Begin to set it up anew, please."));
        if (!fits(factor, code)) {
            throw Refusal.invalid("code", "This is not the code your device shows now. Is its clock right?");
        }
        List<String> fresh = freshRecoveryCodes();
        factor.confirm(calendar.now(), hashes(fresh));
        events.publishEvent(new SecondFactorChanged(viewer.actor(), "set up a second factor"));
        return fresh;
    }

    /** Ten other recovery codes; the former ones end. @throws Refusal when the code is wrong */
    @Transactional
    public List<String> renewRecoveryCodes(Viewer viewer, String code) {
        SecondFactor factor = requireRight(viewer, code);
        List<String> fresh = freshRecoveryCodes();
        factor.recoverBy(hashes(fresh));
        events.publishEvent(new SecondFactorChanged(viewer.actor(), "made new recovery codes"));
        return fresh;
    }

    /** @throws Refusal when the code is wrong, or the role has to have one */
    @Transactional
    public void end(Viewer viewer, String code) {
        if (isDemanded(viewer.role())) {
            throw Refusal.conflict("demanded", "Your practice asks for a second factor, so it cannot be ended.");
        }
        factors.delete(requireRight(viewer, code));
        events.publishEvent(new SecondFactorChanged(viewer.actor(), "ended the second factor"));
    }

    /** For somebody whose device and codes are lost; he sets it up anew. */
    @Transactional
    public void reset(Viewer administrator, Viewer holder) {
        administrator.requireAdministrator();
        SecondFactor factor = factors.findById(holder.accountId())
                .orElseThrow(() -> Refusal.conflict("no-second-factor", holder.name() + " has no second factor."));
        factors.delete(factor);
        events.publishEvent(
                new SecondFactorChanged(administrator.actor(), "took away the second factor of " + holder.name()));
    }

    private SecondFactor requireRight(Viewer viewer, String code) {
        return factors.lock(viewer.accountId())
                .filter(f -> f.isConfirmed() && fits(f, code))
                .orElseThrow(() -> Refusal.invalid("code", "This is not the code your device shows now."));
    }

    /** Whether a code is right now, or a recovery code that is not used up; it is, from now on. */
    @Transactional
    public boolean takes(UUID accountId, String code) {
        return factors.lock(accountId)
                .filter(SecondFactor::isConfirmed)
                .filter(f -> fits(f, code) || f.recover(Secrets.hash(normal(code))))
                .isPresent();
    }

    private boolean fits(SecondFactor factor, String code) {
        String digits = code.replaceAll("\\s", "");
        Instant now = calendar.now();
        SecretKeySpec key = new SecretKeySpec(box.open(factor.sealedSecret()), codes.getAlgorithm());
        for (int off = -STEPS_OFF; off <= STEPS_OFF; off++) {
            Instant then = now.plus(STEP.multipliedBy(off));
            if (Secrets.same(codeAt(key, then), digits)) {
                return factor.take(then.getEpochSecond() / STEP.toSeconds());
            }
        }
        return false;
    }

    private String codeAt(SecretKeySpec key, Instant then) {
        try {
            return codes.generateOneTimePasswordString(key, then);
        } catch (InvalidKeyException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private List<String> freshRecoveryCodes() {
        return Stream.generate(() -> {
                    byte[] bytes = new byte[RECOVERY_BYTES];
                    random.nextBytes(bytes);
                    return new Base32()
                            .encodeToString(bytes)
                            .toLowerCase(Locale.ROOT)
                            .replaceAll("(.{4})(?!$)", "$1-");
                })
                .limit(RECOVERY_CODES)
                .toList();
    }

    private static List<String> hashes(List<String> fresh) {
        return fresh.stream().map(c -> Secrets.hash(normal(c))).toList();
    }

    private static String normal(String code) {
        return code.toLowerCase(Locale.ROOT).replaceAll("[^a-z2-7]", "");
    }
}
