package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

class PlainTextTest {

    @Test
    void accentsCaseAndPunctuationDoNotKeepNamesApart() {
        assertThat(PlainText.of("  Ångström-Żółć, ÉLODIE  (née d’Arcy) ")).isEqualTo("angstrom zolc elodie nee d arcy");
        assertThat(PlainText.words("Straße 9, Fjord ø")).containsExactly("strasse", "9", "fjord", "o");
        assertThat(PlainText.words("…")).isEmpty();
    }

    @Test
    void distanceAgreesWithTheDefinitionOnRandomWords() {
        Random random = new Random(7);
        for (int i = 0; i < 4_000; i++) {
            String a = word(random);
            String b = word(random);
            int right = slowDistance(a, b, a.length(), b.length());
            for (int most = 0; most <= 4; most++) {
                assertThat(PlainText.distance(a, b, most))
                        .as(a + "/" + b + " up to " + most)
                        .isEqualTo(Math.min(right, most + 1));
            }
        }
    }

    private static String word(Random random) {
        StringBuilder word = new StringBuilder();
        int length = random.nextInt(6);
        for (int i = 0; i < length; i++) {
            word.append((char) ('a' + random.nextInt(3)));
        }
        return word.toString();
    }

    private static int slowDistance(String a, String b, int i, int j) {
        if (i == 0 || j == 0) {
            return i + j;
        }
        int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
        int least = Math.min(
                slowDistance(a, b, i - 1, j - 1) + change,
                1 + Math.min(slowDistance(a, b, i - 1, j), slowDistance(a, b, i, j - 1)));
        if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
            least = Math.min(least, 1 + slowDistance(a, b, i - 2, j - 2));
        }
        return least;
    }

    @Test
    void shortWordsMustBeExactAndLongOnesMayHoldReadingErrors() {
        assertThat(PlainText.alike("ann", "anm")).isFalse();
        assertThat(PlainText.alike("korhola", "korho1a")).isTrue();
        assertThat(PlainText.alike("korhola", "korh01a")).isFalse();
        assertThat(PlainText.alike("penhallow", "penha11ow")).isTrue();
    }
}
