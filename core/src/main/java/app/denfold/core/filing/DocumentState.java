package app.denfold.core.filing;

import app.denfold.core.rules.Decision;

/** How a document stands by itself, whatever it is asked for. Of several that apply it is the first of these. */
public enum DocumentState {
    ENTERED_IN_ERROR("entered in error"),
    AWAITED("awaited"),
    SENT_BACK("sent back"),
    UNSIGNED("unsigned"),
    IN_REVIEW("in review"),
    FILED("filed");

    private final String words;

    DocumentState(String words) {
        this.words = words;
    }

    /** As people read it within a sentence. */
    public String words() {
        return words;
    }

    /** Whether it stands as it should: nothing more is to be done about it. */
    public boolean isSettled() {
        return this == FILED;
    }

    /**
     * @param awaited whether it is announced and has not come
     * @param unsigned whether a signer that one of its types asks for has not signed
     * @param needsReview whether one of its types is reviewed
     */
    public static DocumentState of(
            boolean enteredInError, boolean awaited, Decision decision, boolean unsigned, boolean needsReview) {
        if (enteredInError) {
            return ENTERED_IN_ERROR;
        }
        if (awaited) {
            return AWAITED;
        }
        if (decision == Decision.SENT_BACK) {
            return SENT_BACK;
        }
        if (unsigned) {
            return UNSIGNED;
        }
        return needsReview && decision == Decision.PENDING ? IN_REVIEW : FILED;
    }
}
