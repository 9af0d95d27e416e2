package app.denfold.core.finding;

import app.denfold.core.filing.PlainText;
import java.util.Collection;
import java.util.Optional;

/** A mistyped word set right by words that are known. */
public final class NearWords {

    private static final int SHORTEST = 4;

    private NearWords() {}

    /**
     * The known word that was meant by a typed one, which may be only its beginning. Up to seven letters one error is
     * forgiven, in longer ones two.
     *
     * @param typed plain, as {@link PlainText#of} makes it
     * @param known plain words
     * @return the typed word itself when a known one begins so; empty when none comes near, or fewer than four letters
     *     were typed
     */
    public static Optional<String> meant(String typed, Collection<String> known) {
        if (known.stream().anyMatch(k -> k.startsWith(typed))) {
            return Optional.of(typed);
        }
        if (typed.length() < SHORTEST) {
            return Optional.empty();
        }
        int most = typed.length() <= 7 ? 1 : 2;
        String nearest = null;
        int least = most + 1;
        for (String word : known) {
            int distance = PlainText.distance(typed, word, most);
            for (int length = typed.length() - 1; length <= typed.length() + 1; length++) {
                if (length >= SHORTEST && length < word.length()) {
                    distance = Math.min(distance, PlainText.distance(typed, word.substring(0, length), most));
                }
            }
            if (distance < least) {
                least = distance;
                nearest = word;
            }
        }
        return Optional.ofNullable(nearest);
    }
}
