package app.denfold.server.signing.taking;

import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureTurn;
import java.time.LocalDate;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Fills the fields of one turn as it is signed: day and name by themselves, the rest with what the signer wrote. */
final class FillFields {

    private final SignatureTurn turn;
    private final Map<Integer, String> values;
    private final String name;
    private final LocalDate today;
    private int position;

    /** @param values by the positions of the fields among those of the turn, from 0 */
    FillFields(SignatureTurn turn, Map<Integer, String> values, String name, LocalDate today) {
        this.turn = turn;
        this.values = values;
        this.name = name;
        this.today = today;
    }

    /** To be called for every field of the request in order. @throws Refusal when a required one is left empty */
    SignField fill(SignField field) {
        if (!field.turnId().equals(turn.id())) {
            return field;
        }
        int at = position++;
        return switch (field.kind()) {
            case SIGNATURE -> field;
            case DATE -> field.filled(PracticeCalendar.words(today));
            case NAME -> field.filled(name);
            case INITIALS -> field.filled(initials());
            case TEXT -> field.filled(required(field, values.get(at), at));
            case TICK -> field.filled("true".equals(required(field, ticked(values.get(at)), at)) ? "X" : null);
        };
    }

    private static @Nullable String ticked(@Nullable String value) {
        return "true".equals(value) ? value : null;
    }

    private static @Nullable String required(SignField field, @Nullable String value, int at) {
        String stripped = value == null || value.isBlank() ? null : value.strip();
        if (stripped == null && field.required()) {
            String label = field.label() == null ? "This field" : "“" + field.label() + "”";
            throw Refusal.invalid("values." + at, label + " on page " + field.page() + " is needed.");
        }
        return stripped;
    }

    private String initials() {
        return Stream.of(name.split("[\\s-]+"))
                .filter(word -> !word.isBlank())
                .map(word -> new String(Character.toChars(word.codePointAt(0))))
                .collect(Collectors.joining());
    }
}
