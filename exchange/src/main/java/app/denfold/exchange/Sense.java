package app.denfold.exchange;

import app.denfold.core.rules.FactValue;
import java.util.Optional;

/**
 * What a checklist may say of the facts that a practice knows. A rule that breaks it is well formed and can be
 * evaluated, but nobody can have meant it.
 */
public interface Sense {

    /** Takes every rule that is well formed, as scenarios do. */
    Sense ANY = new Sense() {
        @Override
        public Optional<String> unknownFact(String fact) {
            return Optional.empty();
        }

        @Override
        public Optional<String> impossibleValue(String fact, FactValue value) {
            return Optional.empty();
        }

        @Override
        public Optional<String> undatedFact(String fact) {
            return Optional.empty();
        }

        @Override
        public boolean allowsUnreachablePoints() {
            return true;
        }
    };

    /** Words to the author when no kind of file has the fact. */
    Optional<String> unknownFact(String fact);

    /** Words to the author when the fact can never have the value. */
    Optional<String> impossibleValue(String fact, FactValue value);

    /** Words to the author when the fact cannot hold a date. */
    Optional<String> undatedFact(String fact);

    /** Whether evidence may ask for more points than its entries can ever give. */
    default boolean allowsUnreachablePoints() {
        return false;
    }
}
