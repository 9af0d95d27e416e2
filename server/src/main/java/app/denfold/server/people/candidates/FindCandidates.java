package app.denfold.server.people.candidates;

import app.denfold.core.filing.PlainText;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Finds the few persons of whom a text may speak among all, by indexes; who of them it is, the core tells. */
@Component
public class FindCandidates {

    private static final int MOST = 300;
    private static final int MOST_WORDS = 400;
    private static final int MOST_NAMES = 60;
    private static final Pattern NUMBER = Pattern.compile("[\\p{L}\\d]+(?:[-/.][\\p{L}\\d]+)*");
    private static final Pattern IN_IDENTIFIERS = Pattern.compile("\\p{Lu}{1,4}(?![\\p{L}])|[\\p{L}]*\\d[\\p{L}\\d]*");
    private static final Pattern NAME = Pattern.compile("\\p{Lu}[\\p{L}\\d'’]{3,}");

    private final CandidateStore store;

    FindCandidates(CandidateStore store) {
        this.store = store;
    }

    /** Best first: those that share most words with the text, then those with a name much like one in it. */
    public List<UUID> in(String text) {
        String[] numbers = NUMBER.matcher(text)
                .results()
                .map(r -> r.group().toUpperCase(Locale.ROOT))
                .filter(w -> w.chars().anyMatch(Character::isDigit) && w.length() <= 40)
                .distinct()
                .limit(MOST_WORDS)
                .toArray(String[]::new);
        String[] words = PlainText.words(text).stream()
                .filter(w -> w.length() >= 3 && !w.chars().allMatch(Character::isDigit))
                .distinct()
                .limit(MOST_WORDS)
                .toArray(String[]::new);
        String[] identifiers = identifiers(text);
        return store.among(new CandidateStore.Hints(numbers, words, identifiers, names(text)), MOST);
    }

    /** What may be an identifier: up to four words with digits in them, which may stand apart. */
    private static String[] identifiers(String text) {
        List<String> parts = IN_IDENTIFIERS
                .matcher(text)
                .results()
                .map(MatchResult::group)
                .limit(MOST_WORDS)
                .toList();
        Set<String> found = new LinkedHashSet<>();
        for (int from = 0; from < parts.size(); from++) {
            StringBuilder joined = new StringBuilder();
            for (int to = from; to < Math.min(parts.size(), from + 4); to++) {
                joined.append(parts.get(to));
                if (joined.length() >= 5
                        && joined.length() <= 40
                        && joined.chars().anyMatch(Character::isDigit)) {
                    found.add(asOneWord(joined.toString()));
                }
            }
        }
        return found.toArray(String[]::new);
    }

    /** An identifier as one word that no name is: only its letters and digits count. */
    public static String asOneWord(String identifier) {
        return "#" + PlainText.of(identifier).replaceAll("[^\\p{L}\\d]", "");
    }

    /** Words that begin with a capital letter, as names do, also with the errors of a poor scan. */
    private static String[] names(String text) {
        Matcher matcher = NAME.matcher(text);
        return matcher.results()
                .map(r -> PlainText.of(r.group()))
                .filter(w -> w.length() >= 4)
                .distinct()
                .limit(MOST_NAMES)
                .toArray(String[]::new);
    }

    public Set<String> wordsLike(String word) {
        return Set.copyOf(store.wordsLike(word));
    }

    public List<UUID> byAddress(@Nullable String address) {
        return address == null ? List.of() : store.byAddress(address);
    }
}
