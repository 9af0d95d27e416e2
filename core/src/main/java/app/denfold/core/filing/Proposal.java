package app.denfold.core.filing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

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

    /**
     * The same, best first, the best one preselected if it is sure and well ahead of every other.
     *
     * @param sure the least confidence of one that is preselected
     * @param ahead how far it must be ahead of the second
     */
    static <T extends Comparable<T>> List<Proposal<T>> ranked(List<Proposal<T>> found, double sure, double ahead) {
        List<Proposal<T>> ranked = new ArrayList<>(found);
        ranked.sort(Comparator.comparingDouble((Proposal<T> p) -> p.confidence())
                .reversed()
                .thenComparing(Proposal::value));
        if (!ranked.isEmpty()) {
            Proposal<T> best = ranked.get(0);
            double second = ranked.size() > 1 ? ranked.get(1).confidence() : 0;
            ranked.set(0, best.preselect(best.confidence() >= sure && best.confidence() - second >= ahead));
        }
        return ranked;
    }
}
