package app.denfold.core.rules;

/** How a slot stands on a day. */
public enum Status {
    NOT_APPLICABLE("not-applicable"),
    WAIVED("waived"),
    ON_FILE("on-file"),
    EXPIRING("expiring"),
    IN_GRACE("in-grace"),
    IN_REVIEW("in-review"),
    AWAITING_SIGNATURE("awaiting-signature"),
    LAPSED("lapsed"),
    SENT_BACK("sent-back"),
    NOT_YET_DUE("not-yet-due"),
    MISSING("missing");

    private final String code;

    Status(String code) {
        this.code = code;
    }

    /** The word of the open format, such as {@code on-file}. */
    public String code() {
        return code;
    }

    /** True when the requirement is satisfied: on file, expiring, in grace or waived. */
    public boolean isMet() {
        return this == ON_FILE || this == EXPIRING || this == IN_GRACE || this == WAIVED;
    }

    /** True when a blocking requirement with this status keeps the file from being clear. */
    public boolean isOpen() {
        return this == LAPSED
                || this == MISSING
                || this == SENT_BACK
                || this == IN_REVIEW
                || this == AWAITING_SIGNATURE;
    }

    /** True when a new paper from the person would help: missing, run out, sent back or about to be due or to run out. */
    public boolean isWanting(Renewal renewal) {
        return switch (this) {
            case MISSING, LAPSED, SENT_BACK, IN_GRACE, NOT_YET_DUE -> true;
            case EXPIRING -> renewal == Renewal.NONE;
            default -> false;
        };
    }

    /** True when a slot that comes to stand so has lost the paper that covered it, rather than never had one. */
    public boolean isLapse() {
        return this == IN_GRACE || this == LAPSED || this == IN_REVIEW || this == AWAITING_SIGNATURE;
    }

    /** True when somebody has to be chased for a slot that comes to stand so: in grace, lapsed or missing. */
    public boolean isWorse() {
        return this == IN_GRACE || this == LAPSED || this == MISSING;
    }
}
