package app.denfold.server.people;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** All that is known of a person, with the days of each fact. */
public record PersonState(
        String givenName,
        String familyName,
        @Nullable LocalDate birthDate,
        @Nullable String email,
        @Nullable String team,
        List<String> formerNames,
        List<String> identifiers,
        List<ActiveSpan> activeSpans,
        List<Fact> facts) {

    /** How a fact is called among the {@link #values}. */
    public static final String FACT = "fact:";

    public PersonState {
        formerNames = List.copyOf(formerNames);
        identifiers = List.copyOf(identifiers);
        activeSpans = List.copyOf(activeSpans);
        facts = List.copyOf(facts);
    }

    /**
     * What he has one of, by name: names, birth date, address, team, active days, and of each fact its whole history.
     * What is not known is left out.
     */
    public Map<String, Object> values() {
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("givenName", givenName);
        values.put("familyName", familyName);
        putKnown(values, "birthDate", birthDate);
        putKnown(values, "email", email);
        putKnown(values, "team", team);
        values.put("activeSpans", activeSpans);
        for (Fact fact : facts) {
            values.computeIfAbsent(FACT + fact.name(), n -> facts.stream()
                    .filter(f -> f.name().equals(fact.name()))
                    .toList());
        }
        return values;
    }

    private static void putKnown(Map<String, Object> values, String name, @Nullable Object value) {
        if (value != null) {
            values.put(name, value);
        }
    }

    /** The inverse of {@link #values}; former names and identifiers are said beside them. */
    @SuppressWarnings("unchecked")
    public static PersonState of(Map<String, Object> values, List<String> formerNames, List<String> identifiers) {
        List<Fact> facts = new ArrayList<>();
        values.forEach((name, value) -> {
            if (name.startsWith(FACT)) {
                facts.addAll((List<Fact>) value);
            }
        });
        return new PersonState(
                Objects.requireNonNull((String) values.get("givenName")),
                Objects.requireNonNull((String) values.get("familyName")),
                (LocalDate) values.get("birthDate"),
                (String) values.get("email"),
                (String) values.get("team"),
                formerNames,
                identifiers,
                Objects.requireNonNull((List<ActiveSpan>) values.get("activeSpans")),
                facts);
    }
}
