package app.denfold.server.catalog;

import app.denfold.core.rules.Condition;
import app.denfold.core.rules.FactValue;
import app.denfold.exchange.Sense;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.PersonKind;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What the kinds of a practice let a checklist say of facts. */
final class FactSense implements Sense {

    private final List<PersonKind> kinds;

    FactSense(List<PersonKind> kinds) {
        this.kinds = kinds;
    }

    private Stream<FactDefinition> facts(String name) {
        return kinds.stream().flatMap(k -> k.facts().stream()).filter(f -> f.name()
                .equals(name));
    }

    @Override
    public Optional<String> unknownFact(String fact) {
        return fact.equals(Condition.KIND) || facts(fact).findAny().isPresent()
                ? Optional.empty()
                : Optional.of("No kind of file has a fact called " + fact);
    }

    @Override
    public Optional<String> impossibleValue(String fact, FactValue value) {
        if (fact.equals(Condition.KIND)) {
            return kinds.stream().anyMatch(k -> FactValue.text(k.code()).equals(value))
                    ? Optional.empty()
                    : Optional.of("There is no such kind of file");
        }
        return facts(fact).anyMatch(f -> f.canBe(value))
                ? Optional.empty()
                : Optional.of("The fact " + fact + " never has this value");
    }

    @Override
    public Optional<String> undatedFact(String fact) {
        return facts(fact).anyMatch(f -> f.form() == FactDefinition.Form.DATE)
                ? Optional.empty()
                : Optional.of("No kind of file has a date called " + fact);
    }
}
