package app.denfold.core.signing;

/**
 * What one person has to do in a request for signatures, and what became of it.
 *
 * @param step from 0; all turns of a step are open at the same time, and only after every turn of the steps before is done
 * @param task what is to be done
 * @param outcome what became of it so far
 */
public record SigningTurn(int step, Task task, Outcome outcome) {

    public SigningTurn {
        if (step < 0) {
            throw new IllegalArgumentException("The first step is 0, not " + step);
        }
    }

    /** What is asked of a person. */
    public enum Task {
        /** To look through the papers and pass them on; leaves no mark on them. */
        APPROVE,
        SIGN
    }

    /** What became of a turn. */
    public enum Outcome {
        /** Nothing yet. */
        OPEN,
        /** Approved or signed. */
        DONE,
        /** The signer said that he will not sign. */
        DECLINED,
        /** The approver gave it back to whoever asked. */
        SENT_BACK,
        /** Signed on paper and scanned; whoever asked has still to look at it. */
        TO_CONFIRM;

        /** Whether the person has nothing more to do. */
        public boolean isOver() {
            return this != OPEN;
        }
    }
}
