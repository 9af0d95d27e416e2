package app.denfold.server.access.links;

import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.security.SecureRandom;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/**
 * Lets in whoever holds a link together with the code that was sent to the same address. A forwarded link without the
 * code opens nothing; after five wrong codes it never does. Those that change a link are called while its row is held, so
 * that no guess goes uncounted.
 */
@Component
public class LinkCodes {

    static final Duration KEY_LASTS = Duration.ofHours(2);

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final Duration BETWEEN_CODES = Duration.ofSeconds(30);

    private final PracticeCalendar calendar;

    LinkCodes(PracticeCalendar calendar) {
        this.calendar = calendar;
    }

    /** The refusal of a link that is not known. */
    public static Refusal unknown() {
        return Refusal.gone("link-unknown", "This link is not valid. Ask the practice to send it again.");
    }

    private static Refusal closed() {
        return Refusal.gone(
                "link-closed",
                "The code was wrong five times, so this link is closed. Ask the practice for a new one.");
    }

    /**
     * A code of six digits, to be sent to the address of whoever is meant.
     *
     * @throws Refusal when the link is closed, or a code was sent just now
     */
    public String newCode(CodedLink link) {
        requireNotClosed(link);
        if (link.wasCodeSentAfter(calendar.now().minus(BETWEEN_CODES))) {
            throw Refusal.tooMany(
                    "A code was sent just now. Look at your mail, or ask for another one in half a minute.",
                    BETWEEN_CODES.toSeconds());
        }
        String code = "%06d".formatted(RANDOM.nextInt(1_000_000));
        link.code(hash(link, code), calendar.now());
        return code;
    }

    /** A code as it stands in a mail, in a line of its own. */
    public static String inMail(String code) {
        return "  Code " + code.substring(0, 3) + " " + code.substring(3);
    }

    /** What came of a code. @param key that opens the link for a while; null when the code was wrong @param left how many more may be tried */
    public record Tried(@Nullable String key, int left) {

        /** To be called once what was tried is kept. @return the key @throws Refusal when the code was wrong */
        public String keyOrRefuse() {
            if (key != null) {
                return key;
            }
            throw left == 0
                    ? closed()
                    : Refusal.invalid(
                            "code",
                            "This is not the code we sent. "
                                    + (left == 1
                                            ? "One more wrong one closes the link."
                                            : left + " more wrong ones close the link."));
        }
    }

    /** @throws Refusal when the link is closed, or no code was sent lately */
    public Tried enter(CodedLink link, String code) {
        requireNotClosed(link);
        if (!link.hasCode(calendar.now())) {
            throw Refusal.conflict("code-ended", "This code holds no longer. Have a new one sent.");
        }
        if (!link.isCode(hash(link, code.replaceAll("\\s", "")), calendar.now())) {
            link.wrong();
            return new Tried(null, link.codesLeft());
        }
        String key = Secrets.fresh();
        link.open(Secrets.hash(key), calendar.now());
        return new Tried(key, CodedLink.MOST_WRONG);
    }

    /** Whether the key opens the link now. @throws Refusal when the link is closed */
    public boolean isOpenFor(CodedLink link, @Nullable String key) {
        requireNotClosed(link);
        return key != null && link.isOpenFor(Secrets.hash(key), calendar.now());
    }

    /** The refusal of somebody who showed no code. */
    public static Refusal noCode() {
        return Refusal.notSignedIn("Show the code that was sent to you first.");
    }

    private static void requireNotClosed(CodedLink link) {
        if (link.isClosed()) {
            throw closed();
        }
    }

    /** A code is short: kept so, two links with the same one look different. */
    private static String hash(CodedLink link, String code) {
        return Secrets.hash(link.id() + " " + code);
    }

    /**
     * The answer by which a browser keeps the key, and sends it with nothing else than what lies behind the link.
     *
     * @param name of the cookie
     * @param path of the API behind the link
     * @param secure whether the browser came by TLS
     */
    public static ResponseEntity<Void> keep(String name, String key, String path, boolean secure) {
        ResponseCookie cookie = ResponseCookie.from(name, key)
                .httpOnly(true)
                .secure(secure)
                .sameSite("Strict")
                .path(path)
                .maxAge(KEY_LASTS)
                .build();
        return ResponseEntity.noContent()
                .header(HttpHeaders.SET_COOKIE, cookie.toString())
                .build();
    }
}
