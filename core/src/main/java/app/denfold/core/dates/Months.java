package app.denfold.core.dates;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Names of months in English, German, French, Italian and Spanish, whole and shortened. */
final class Months {

    /** A line for each month; the shortened ones may end in a full stop. */
    private static final List<String> NAMES = List.of(
            "january jan januar jänner janner jaenner jän janvier janv gennaio gen enero ene",
            "february feb februar feber février fevrier févr fevr fév fev febbraio febrero",
            "march mar mars märz maerz mär mrz marzo",
            "april apr avril avr aprile abril abr",
            "may mai maggio mag mayo",
            "june jun juni juin giugno giu junio",
            "july jul juli juillet juil luglio lug julio",
            "august aug août aout agosto ago",
            "september sept sep septembre settembre set septiembre",
            "october oct oktober okt octobre ottobre ott octubre",
            "november nov novembre noviembre",
            "december dec dezember dez décembre decembre déc dicembre dic diciembre");

    private static final Map<String, Integer> NUMBERS = numbers();

    /** One of them, the longest first, with the full stop of a shortened one. */
    static final String ANY = "(?:"
            + NUMBERS.keySet().stream()
                    .sorted(Comparator.comparingInt(String::length).reversed().thenComparing(n -> n))
                    .map(Pattern::quote)
                    .collect(Collectors.joining("|"))
            + ")\\b\\.?";

    private Months() {}

    private static Map<String, Integer> numbers() {
        Map<String, Integer> numbers = new HashMap<>();
        for (int i = 0; i < NAMES.size(); i++) {
            for (String name : NAMES.get(i).split(" ")) {
                numbers.put(name, i + 1);
            }
        }
        return numbers;
    }

    /** From 1; empty when it is none. */
    static Optional<Integer> number(String name) {
        return Optional.ofNullable(NUMBERS.get(name.strip().replace(".", "").toLowerCase(Locale.ROOT)));
    }
}
