package app.denfold.server.problems;

import org.springframework.http.HttpStatus;

/**
 * Something that cannot be done at the moment through no fault of whoever asked, with words for that person: the same
 * may work later, so nothing that was brought is thrown away. Answered as an RFC 9457 problem.
 */
public final class NotNow extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final String code;

    private NotNow(HttpStatus status, String code, String words, Throwable cause) {
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

    /** A service that must be asked first does not answer. */
    public static NotNow noAnswer(String words, Throwable cause) {
        return new NotNow(HttpStatus.SERVICE_UNAVAILABLE, "no-answer", words, cause);
    }

    HttpStatus status() {
        return status;
    }

    String code() {
        return code;
    }
}
