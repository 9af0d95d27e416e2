package app.denfold.core.signing;

/** How a request for signatures stands. */
public enum RequestState {
    /** Somebody has still to approve or to sign. */
    OPEN,
    /** Everybody signed. */
    COMPLETE,
    /** A signer said that he will not sign. */
    DECLINED,
    /** An approver gave it back to whoever asked. */
    SENT_BACK,
    /** Whoever asked, or a colleague, took it back. */
    WITHDRAWN,
    /** Its day passed before everybody had signed. */
    EXPIRED,
    /** A corrected paper took the place of the one that was to be signed. */
    REPLACED;

    /** Whether nothing more can be done in it. */
    public boolean isEnded() {
        return this != OPEN;
    }
}
