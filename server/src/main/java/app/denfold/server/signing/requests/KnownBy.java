package app.denfold.server.signing.requests;

/** How it was known who signed. */
public enum KnownBy {
    /** Somebody of the practice had the signer before them. */
    AT_DESK("in person at the desk"),
    /** With their own account, whose password was asked for once more. */
    OWN_PASSWORD("with their own account, the password given again"),
    /** Signed in to their own account. */
    ACCOUNT("signed in to their own account"),
    /** Signed in to their own account, a second factor shown again. */
    SECOND_FACTOR("with their own account, a second factor shown again"),
    /** By the link that was sent, and a code sent to the same address. */
    LINK_AND_CODE("by a link and a code sent by mail"),
    /** With a pen on a printed page that came back. */
    ON_PAPER("with a pen on paper");

    private final String words;

    KnownBy(String words) {
        this.words = words;
    }

    /** As it follows the name of the signer. */
    public String words() {
        return words;
    }
}
