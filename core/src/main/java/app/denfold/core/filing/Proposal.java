package app.denfold.core.filing;

/**
 * Something proposed for a paper.
 *
 * @param confidence from 0 to 1: in how many of a hundred such cases it is right, divided by a hundred
 * @param reason in words, such as {@code number O-0147 in the code on page 1}
 * @param preselected whether it may be taken without a look at others; at most one of a list is
 */
public record Proposal<T>(T value, double confidence, String reason, boolean preselected) {

    public Proposal {
        if (!(confidence >= 0 && confidence <= 1)) {
            throw new IllegalArgumentException("A confidence lies between 0 and 1, not at " + confidence);
        }
    }

    Proposal<T> preselect(boolean yes) {
        return new Proposal<>(value, confidence, reason, yes);
    }
}
