package app.denfold.exchange;

/** Input that cannot be read, with its place as a JSON Pointer (RFC 6901). */
public final class BadInput extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String at;

    public BadInput(String message, String at) {
        super(message);
        this.at = at;
    }

    /** The place as a JSON Pointer; empty for the whole input. */
    public String at() {
        return at;
    }
}
