package app.denfold.core.rules;

/** What is on its way to carry an expiring, grace or lapsed slot further. */
public enum Renewal {
    NONE("none"),
    IN_REVIEW("in-review"),
    AWAITING_SIGNATURE("awaiting-signature");

    private final String code;

    Renewal(String code) {
        this.code = code;
    }

    /** The word of the open format. */
    public String code() {
        return code;
    }
}
