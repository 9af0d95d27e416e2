package app.denfold.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Where on a page the wanted words stand. */
public final class FoundWords {

    private FoundWords() {}

    /**
     * A place where wanted words stand.
     *
     * @param first number of its first word on the page, from 0
     * @param last number of its last word, inclusive
     */
    public record Place(int first, int last) {}

    /**
     * What matches, as written on the page.
     *
     * @param words written words of which each is a place of its own
     * @param phrases for each phrase the written words that can stand first, second and so on; they must follow each other
     */
    public record Matching(Set<String> words, List<List<Set<String>>> phrases) {
        public Matching {
            words = Set.copyOf(words);
            phrases = List.copyOf(phrases);
        }
    }

    /** The words of a text as white space parts them. */
    public static List<String> words(String text) {
        String line = text.strip();
        return line.isEmpty() ? List.of() : List.of(line.split("\\s+"));
    }

    /** In reading order; no word is in two places, and a phrase goes before single words. */
    public static List<Place> in(List<String> page, Matching wanted) {
        List<Place> places = new ArrayList<>();
        int at = 0;
        while (at < page.size()) {
            int length = longestPhrase(page, at, wanted.phrases());
            if (length == 0 && wanted.words().contains(page.get(at))) {
                length = 1;
            }
            if (length > 0) {
                places.add(new Place(at, at + length - 1));
            }
            at += Math.max(1, length);
        }
        return places;
    }

    private static int longestPhrase(List<String> page, int at, List<List<Set<String>>> phrases) {
        int longest = 0;
        for (List<Set<String>> phrase : phrases) {
            if (phrase.size() > longest && stands(page, at, phrase)) {
                longest = phrase.size();
            }
        }
        return longest;
    }

    private static boolean stands(List<String> page, int at, List<Set<String>> phrase) {
        if (phrase.isEmpty() || at + phrase.size() > page.size()) {
            return false;
        }
        for (int i = 0; i < phrase.size(); i++) {
            if (!phrase.get(i).contains(page.get(at + i))) {
                return false;
            }
        }
        return true;
    }
}
