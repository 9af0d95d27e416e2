package app.denfold.server.finding;

import app.denfold.core.finding.WantedWords;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Wanted words as an expression of PostgreSQL's text search. A single word is found in any form, what is quoted as it is
 * written. What a person typed is always a parameter.
 */
@Component
class WordQueries {

    private final WordStore store;

    WordQueries(WordStore store) {
        this.store = store;
    }

    /**
     * @param query an expression of type tsquery; null when no words are asked for
     * @param loose the same with the words of phrases anywhere, where a phrase is asked for; otherwise null
     * @param phrases names of the parameters that hold phrases
     * @param leftOut words that stand in nearly every paper, or hold no letter, and are not asked for
     */
    record Expression(
            @Nullable String query,
            @Nullable String loose,
            List<String> phrases,
            Map<String, Object> parameters,
            List<String> leftOut,
            WantedWords asked) {}

    /** @throws Refusal when words are wanted and all of them are too common */
    Expression of(WantedWords wanted) {
        List<String> common = common(wanted);
        WantedWords asked = new WantedWords(
                without(wanted.all(), common),
                wanted.any().stream().map(g -> without(g, common)).toList(),
                wanted.exact(),
                wanted.without());
        if (asked.isEmpty() && !common.isEmpty()) {
            throw Refusal.invalid("words", tooCommon(common));
        }
        return new Builder(asked).build(common);
    }

    private static List<String> without(List<String> words, List<String> common) {
        return words.stream().filter(w -> !common.contains(w)).toList();
    }

    private static String tooCommon(List<String> words) {
        String named = words.stream().limit(5).map(w -> "“" + w + "”").collect(Collectors.joining(", "));
        return words.size() == 1
                ? named + " alone finds nothing: it stands in nearly every paper or holds no letter. Put it in quotes"
                        + " to find it as it is written."
                : named + " alone find nothing: they stand in nearly every paper or hold no letter. Put them in"
                        + " quotes to find them as they are written.";
    }

    private List<String> common(WantedWords wanted) {
        List<String> words = Stream.concat(
                        wanted.all().stream(), wanted.any().stream().flatMap(List::stream))
                .distinct()
                .toList();
        return words.isEmpty() ? List.of() : store.withoutMeaning(words);
    }

    private static final class Builder {
        private final WantedWords asked;
        private final Map<String, Object> parameters = new HashMap<>();
        private final List<String> phrases = new ArrayList<>();

        Builder(WantedWords asked) {
            this.asked = asked;
        }

        Expression build(List<String> leftOut) {
            List<String> parts = new ArrayList<>();
            List<String> loose = new ArrayList<>();
            for (String word : asked.all()) {
                both(parts, loose, anyForm(word));
            }
            for (List<String> group : asked.any()) {
                both(parts, loose, group.stream().map(this::choice).collect(Collectors.joining(" || ", "(", ")")));
            }
            for (String phrase : asked.exact()) {
                String name = name(phrase);
                phrases.add(name);
                parts.add("phraseto_tsquery('denfold_plain', :" + name + ")");
                loose.add("plainto_tsquery('denfold_plain', :" + name + ")");
            }
            for (String word : asked.without()) {
                both(parts, loose, "(!!" + choice(word) + ")");
            }
            return new Expression(
                    parts.isEmpty() ? null : "(" + String.join(" && ", parts) + ")",
                    phrases.isEmpty() ? null : "(" + String.join(" && ", loose) + ")",
                    phrases,
                    parameters,
                    leftOut,
                    asked);
        }

        private static void both(List<String> parts, List<String> loose, String part) {
            parts.add(part);
            loose.add(part);
        }

        private String choice(String words) {
            return words.contains(" ") ? "phraseto_tsquery('denfold_plain', :" + name(words) + ")" : anyForm(words);
        }

        private String anyForm(String word) {
            return "plainto_tsquery('denfold_words', :" + name(word) + ")";
        }

        private String name(String value) {
            String name = "word" + parameters.size();
            parameters.put(name, value);
            return name;
        }
    }
}
