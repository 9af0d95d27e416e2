package app.denfold.server.signing.links;

import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Issues links to turns, and lets in whoever holds one together with the code that was sent to the signer's address. A
 * forwarded link without the code opens nothing; after five wrong codes it never does.
 */
@Service
public class SigningLinks {

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final Duration BETWEEN_CODES = Duration.ofSeconds(30);

    private final SigningLinkRepository links;
    private final PracticeCalendar calendar;

    SigningLinks(SigningLinkRepository links, PracticeCalendar calendar) {
        this.links = links;
        this.calendar = calendar;
    }

    /** A fresh secret, which leads nowhere before it is {@link #issue}d. */
    public static String secret() {
        return Secrets.fresh();
    }

    /** A link to a turn; earlier ones stay. @param token its secret */
    @Transactional
    public void issue(UUID turnId, String token) {
        links.save(new SigningLink(turnId, Secrets.hash(token), calendar.now()));
    }

    /** All links to a turn lead nowhere from now on. */
    @Transactional
    public void endAll(UUID turnId) {
        links.deleteByTurnId(turnId);
    }

    /** To which turn a link leads. @throws Refusal when it is unknown */
    @Transactional(readOnly = true)
    public UUID turnOf(String token) {
        return links.findByTokenHash(Secrets.hash(token))
                .orElseThrow(SigningLinks::unknown)
                .turnId();
    }

    /**
     * A code of six digits, to be sent to the signer's address.
     *
     * @throws Refusal when the link is unknown or closed, or a code was sent just now
     */
    @Transactional
    public String newCode(String token) {
        SigningLink link = lock(token);
        if (link.wasCodeSentAfter(calendar.now().minus(BETWEEN_CODES))) {
            throw Refusal.tooMany(
                    "A code was sent just now. Look at your mail, or ask for another one in half a minute.",
                    BETWEEN_CODES.toSeconds());
        }
        String code = "%06d".formatted(RANDOM.nextInt(1_000_000));
        link.code(hash(link, code), calendar.now());
        return code;
    }

    /** What came of a code. @param key that opens the link for a while; null when the code was wrong @param left how many more may be tried */
    public record Tried(@Nullable String key, int left) {}

    /** @throws Refusal when the link is unknown or closed, or no code was sent lately */
    @Transactional
    public Tried enter(String token, String code) {
        SigningLink link = lock(token);
        if (!link.hasCode(calendar.now())) {
            throw Refusal.conflict("code-ended", "This code holds no longer. Have a new one sent.");
        }
        if (!link.isCode(hash(link, code.replaceAll("\\s", "")), calendar.now())) {
            link.wrong();
            return new Tried(null, link.codesLeft());
        }
        String key = Secrets.fresh();
        link.open(Secrets.hash(key), calendar.now());
        return new Tried(key, SigningLink.MOST_WRONG);
    }

    private SigningLink lock(String token) {
        SigningLink link = links.lock(Secrets.hash(token)).orElseThrow(SigningLinks::unknown);
        if (link.isClosed()) {
            throw closed();
        }
        return link;
    }

    /** Whether the key opens the link now. @throws Refusal when the link is unknown or closed */
    @Transactional(readOnly = true)
    public boolean isOpenFor(String token, @Nullable String key) {
        SigningLink link = links.findByTokenHash(Secrets.hash(token)).orElseThrow(SigningLinks::unknown);
        if (link.isClosed()) {
            throw closed();
        }
        return key != null && link.isOpenFor(Secrets.hash(key), calendar.now());
    }

    /** A code is short: kept so, two links with the same one look different. */
    private static String hash(SigningLink link, String code) {
        return Secrets.hash(link.id() + " " + code);
    }

    private static Refusal unknown() {
        return Refusal.gone("link-unknown", "This link is not valid. Ask the practice to send it again.");
    }

    private static Refusal closed() {
        return Refusal.gone(
                "link-closed",
                "The code was wrong five times, so this link is closed. Ask the practice for a new one.");
    }
}
