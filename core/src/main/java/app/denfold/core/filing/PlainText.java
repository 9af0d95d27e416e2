package app.denfold.core.filing;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Text made alike, so that accents, case and the look-alikes of poor scans do not keep words apart. */
public final class PlainText {

    /** Letters that decompose into no base letter of their own. */
    private static final Map<Integer, String> SPELLED = Map.of(
            (int) 'ß', "ss", (int) 'æ', "ae", (int) 'œ', "oe", (int) 'ø', "o", (int) 'đ', "d", (int) 'ð', "d",
            (int) 'þ', "th", (int) 'ł', "l", (int) 'ı', "i");

    private PlainText() {}

    /** Lower-case letters and digits without accents; everything else is one space between words. */
    public static String of(String text) {
        String decomposed = Normalizer.normalize(text, Normalizer.Form.NFKD).toLowerCase(Locale.ROOT);
        StringBuilder plain = new StringBuilder(decomposed.length());
        decomposed.codePoints().forEach(c -> {
            if (SPELLED.containsKey(c)) {
                plain.append(SPELLED.get(c));
            } else if (Character.isLetterOrDigit(c)) {
                plain.appendCodePoint(c);
            } else if (Character.getType(c) != Character.NON_SPACING_MARK
                    && !plain.isEmpty()
                    && plain.charAt(plain.length() - 1) != ' ') {
                plain.append(' ');
            }
        });
        return plain.toString().strip();
    }

    /** The words of {@link #of}, in their order. */
    public static List<String> words(String text) {
        String plain = of(text);
        return plain.isEmpty() ? List.of() : List.of(plain.split(" "));
    }

    /**
     * The Damerau-Levenshtein distance with adjacent transpositions (optimal string alignment), as far as it matters.
     *
     * @param most a distance above this is answered as {@code most + 1}
     */
    public static int distance(String a, String b, int most) {
        if (Math.abs(a.length() - b.length()) > most) {
            return most + 1;
        }
        int[] before2 = new int[b.length() + 1];
        int[] before = new int[b.length() + 1];
        int[] now = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            before[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            now[0] = i;
            int least = i;
            for (int j = 1; j <= b.length(); j++) {
                int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                int cost = Math.min(Math.min(before[j] + 1, now[j - 1] + 1), before[j - 1] + change);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    cost = Math.min(cost, before2[j - 2] + 1);
                }
                now[j] = cost;
                least = Math.min(least, cost);
            }
            if (least > most) {
                return most + 1;
            }
            int[] spare = before2;
            before2 = before;
            before = now;
            now = spare;
        }
        return Math.min(before[b.length()], most + 1);
    }

    /**
     * Whether two plain words may be one, given reading errors: no error in up to 3 letters, one in up to 7, two in
     * longer ones.
     */
    public static boolean alike(String a, String b) {
        int shorter = Math.min(a.length(), b.length());
        int most = shorter <= 3 ? 0 : shorter <= 7 ? 1 : 2;
        return a.equals(b) || (most > 0 && distance(a, b, most) <= most);
    }

    /** Runs of {@code length} words in a row, for comparing texts. */
    static List<String> shingles(List<String> words, int length) {
        List<String> runs = new ArrayList<>();
        for (int i = 0; i + length <= words.size(); i++) {
            runs.add(String.join(" ", words.subList(i, i + length)));
        }
        return runs;
    }
}
