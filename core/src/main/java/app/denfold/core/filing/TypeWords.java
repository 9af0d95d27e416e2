package app.denfold.core.filing;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The words of a paper by which its type is told: each once, without those that are only numbers or very short. */
public final class TypeWords {

    /** The most words of one paper that are learned from. */
    public static final int MOST = 400;

    private TypeWords() {}

    /** Plain words and pairs of neighbouring words. */
    public static Set<String> of(String text) {
        List<String> words = PlainText.words(text).stream()
                .filter(w -> w.length() >= 3 && w.length() <= 30 && !w.chars().anyMatch(Character::isDigit))
                .toList();
        Set<String> features = new HashSet<>();
        for (int i = 0; i < words.size() && features.size() < MOST; i++) {
            features.add(words.get(i));
            if (i + 1 < words.size() && i < 40) {
                // the first lines tell most, and there pairs tell more than words
                features.add(words.get(i) + " " + words.get(i + 1));
            }
        }
        return features;
    }

    /**
     * How many papers of each type hold each word.
     *
     * @param papers how many papers of each type were learned
     * @param counts by word, then by type; words that no paper holds are left out
     */
    public record Learned(Map<String, Integer> papers, Map<String, Map<String, Integer>> counts) {

        public static Learned nothing() {
            return new Learned(Map.of(), Map.of());
        }

        /** The same with one paper more, or one less. */
        public Learned with(String type, String text, int change) {
            Map<String, Integer> morePapers = new HashMap<>(papers);
            add(morePapers, type, change);
            Map<String, Map<String, Integer>> more = new HashMap<>(counts);
            for (String word : of(text)) {
                Map<String, Integer> byType = new HashMap<>(more.getOrDefault(word, Map.of()));
                add(byType, type, change);
                if (byType.isEmpty()) {
                    more.remove(word);
                } else {
                    more.put(word, byType);
                }
            }
            return new Learned(morePapers, more);
        }

        private static void add(Map<String, Integer> to, String type, int change) {
            if (to.merge(type, change, Integer::sum) == 0) {
                to.remove(type);
            }
        }
    }
}
