package app.denfold.server.problems;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** Something a person asked for that cannot be done, with words for that person. Answered as an RFC 9457 problem. */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    static final String CHANGED_MEANWHILE = "changed-meanwhile";

    private final HttpStatus status;
    private final String code;
    private final @Nullable String field;
    private final transient Map<String, Object> more;

    private Refusal(HttpStatus status, String code, @Nullable String field, String words, Map<String, Object> more) {
        super(words);
        this.status = status;
        this.code = code;
        this.field = field;
        this.more = more;
    }

    /** There is no such thing, or the viewer may not know of it. */
    public static Refusal notFound(String what) {
        return new Refusal(HttpStatus.NOT_FOUND, "not-found", null, "There is no such " + what + ".", Map.of());
    }

    /** The account lacks the right. */
    public static Refusal forbidden(String words) {
        return new Refusal(HttpStatus.FORBIDDEN, "forbidden", null, words, Map.of());
    }

    /** A value that cannot be; the field is its path in the request. */
    public static Refusal invalid(String field, @Nullable String words) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", field, words == null ? "" : words, Map.of());
    }

    /** It does not fit what is there; the code lets the client offer a way on. */
    public static Refusal conflict(String code, String words) {
        return conflict(code, words, Map.of());
    }

    /** Whoever saves saw an older state. @param what as in {@code Somebody else changed this meanwhile} */
    public static Refusal changedMeanwhile(String what) {
        return conflict(CHANGED_MEANWHILE, changedWords(what));
    }

    static String changedWords(String what) {
        return "Somebody else changed " + what + " meanwhile. Nothing was saved; look at it again.";
    }

    public static Refusal conflict(String code, String words, Map<String, Object> more) {
        return new Refusal(HttpStatus.CONFLICT, code, null, words, more);
    }

    /** It was there once and is no more, such as a used link. */
    public static Refusal gone(String code, String words) {
        return gone(code, words, Map.of());
    }

    public static Refusal gone(String code, String words, Map<String, Object> more) {
        return new Refusal(HttpStatus.GONE, code, null, words, more);
    }

    public static Refusal notSignedIn(String words) {
        return new Refusal(HttpStatus.UNAUTHORIZED, "sign-in", null, words, Map.of());
    }

    /** The password is right, and something else is to be shown; the code says what. */
    public static Refusal moreToShow(String code, String words) {
        return new Refusal(HttpStatus.UNAUTHORIZED, code, null, words, Map.of());
    }

    /** @param seconds after which it may be tried again */
    public static Refusal tooMany(String words, long seconds) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, "throttled", null, words, Map.of("seconds", seconds));
    }

    HttpStatus status() {
        return status;
    }

    String code() {
        return code;
    }

    @Nullable
    String field() {
        return field;
    }

    Map<String, Object> more() {
        return more;
    }
}
