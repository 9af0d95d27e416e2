package app.denfold.server.problems;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/**
 * Something that cannot be done at the moment through no fault of whoever asked, with words for that person: the same
 * may work later, so nothing that was brought is thrown away. Answered as an RFC 9457 problem.
 */
public final class NotNow extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final String code;

    private NotNow(HttpStatus status, String code, String words, @Nullable Throwable cause) {
        super(words, cause);
        this.status = status;
        this.code = code;
    }

    /** Writing to the disk failed, most often because it is full. */
    public static NotNow notStored(String what, Throwable cause) {
        return new NotNow(
                HttpStatus.INSUFFICIENT_STORAGE,
                "not-stored",
                "“" + what + "” could not be stored, because the disk of the server is full or does not answer. "
                        + "It was not taken in; keep it, and tell whoever looks after the server.",
                cause);
    }

    /** Stored bytes are no longer what was taken in. @param what is wrong with them, as a sentence */
    public static NotNow damaged(String what) {
        return new NotNow(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "damaged",
                "This paper is damaged on the server and is not shown. " + what
                        + " Administrators see it in Today; taking in the same paper once more mends it.",
                null);
    }

    /** A service that must be asked first does not answer. */
    public static NotNow noAnswer(String words, @Nullable Throwable cause) {
        return new NotNow(HttpStatus.SERVICE_UNAVAILABLE, "no-answer", words, cause);
    }

    /** The same, naming the paper of several that it is about. */
    public NotNow of(String paper) {
        return new NotNow(status, code, "“" + paper + "”: " + getMessage(), getCause());
    }

    HttpStatus status() {
        return status;
    }

    String code() {
        return code;
    }
}
