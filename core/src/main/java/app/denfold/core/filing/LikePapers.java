package app.denfold.core.filing;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Tells papers that were scanned twice: the pages look the same and say the same, though no byte is equal. */
public final class LikePapers {

    /** The most bits of {@value #BITS} in which the looks of one page differ between two scans of it. */
    static final int MOST_BITS = 40;

    static final int BITS = 256;

    /** From this likeness on, two papers are taken for one. */
    public static final double SAME = 0.75;

    private LikePapers() {}

    /** @param perceptualHash 64 hexadecimal digits, a difference hash of the page; empty when it was not drawn */
    public record Page(String perceptualHash, String text) {}

    /**
     * How much two papers are one, from 0 to 1: 0 when the number of pages differs or some page looks otherwise, else
     * the share of three-word runs that both have, or of words with digits if that is less: a form filled for two people
     * shares its words and its looks, but neither dates nor numbers. Pages without text are judged by their looks alone,
     * and count 0.7.
     */
    public static double likeness(List<Page> a, List<Page> b) {
        if (a.isEmpty() || a.size() != b.size()) {
            return 0;
        }
        double sum = 0;
        for (int i = 0; i < a.size(); i++) {
            if (apart(a.get(i).perceptualHash, b.get(i).perceptualHash) > MOST_BITS) {
                return 0;
            }
            sum += sameText(a.get(i).text, b.get(i).text);
        }
        return sum / a.size();
    }

    /** In how many bits two looks differ; all, when one is missing. */
    public static int apart(String a, String b) {
        if (a.length() != b.length() || a.isEmpty()) {
            return BITS;
        }
        int bits = 0;
        for (int i = 0; i < a.length(); i++) {
            bits += Integer.bitCount(Character.digit(a.charAt(i), 16) ^ Character.digit(b.charAt(i), 16));
        }
        return bits;
    }

    private static double sameText(String a, String b) {
        List<String> words = PlainText.words(a);
        List<String> others = PlainText.words(b);
        if (words.size() < 3 && others.size() < 3) {
            return 0.7;
        }
        return Math.min(
                shared(new HashSet<>(PlainText.shingles(words, 3)), new HashSet<>(PlainText.shingles(others, 3))),
                shared(withDigits(words), withDigits(others)));
    }

    private static Set<String> withDigits(List<String> words) {
        Set<String> numbers = new HashSet<>();
        words.stream().filter(w -> w.chars().anyMatch(Character::isDigit)).forEach(numbers::add);
        return numbers;
    }

    /** 1 when both are empty. */
    private static double shared(Set<String> one, Set<String> other) {
        Set<String> both = new HashSet<>(one);
        both.retainAll(other);
        return one.isEmpty() && other.isEmpty() ? 1 : 2.0 * both.size() / (one.size() + other.size());
    }
}
