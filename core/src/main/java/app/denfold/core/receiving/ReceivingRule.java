package app.denfold.core.receiving;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What is to be done about the papers of a type once they are complete.
 *
 * @param receivers who must have them, each once
 * @param secondCheck whether a second person checks them
 * @param from the first day of completion for which that holds, so that papers of former years are left alone; null for all
 */
public record ReceivingRule(
        List<Receiver> receivers,
        boolean secondCheck,
        @Nullable LocalDate from) {

    public static final int MOST = 10;

    public static final ReceivingRule NONE = new ReceivingRule(List.of(), false, null);

    /** @throws IllegalArgumentException with words for the person who set it up, when it cannot be so */
    public ReceivingRule {
        receivers = receivers == null ? List.of() : List.copyOf(receivers);
        if (receivers.size() > MOST) {
            throw new IllegalArgumentException("At most " + MOST + " can be said to receive a type");
        }
        if (Set.copyOf(receivers).size() < receivers.size()) {
            throw new IllegalArgumentException("Each of those who must have it is named once");
        }
    }

    /** Whether it asks for nothing. */
    public boolean asksNothing() {
        return receivers.isEmpty() && !secondCheck;
    }

    /** What several types ask together of a paper that was complete on a day. */
    public static ReceivingRule together(Collection<ReceivingRule> rules, LocalDate completeOn) {
        List<ReceivingRule> holding = rules.stream()
                .filter(r -> r.from == null || !completeOn.isBefore(r.from))
                .toList();
        Set<Receiver> all = new LinkedHashSet<>();
        holding.forEach(r -> all.addAll(r.receivers));
        List<Receiver> some = new ArrayList<>(all);
        return new ReceivingRule(
                some.subList(0, Math.min(MOST, some.size())),
                holding.stream().anyMatch(ReceivingRule::secondCheck),
                null);
    }
}
