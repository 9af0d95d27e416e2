package app.denfold.core.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WantedWordsTest {

    @Test
    void wordsMustAllBeThereAndQuotedOnesAsWritten() {
        WantedWords wanted = WantedWords.typed("  horse \"neck brace\" -lame riding ");
        assertThat(wanted.all()).containsExactly("horse", "riding");
        assertThat(wanted.exact()).containsExactly("neck brace");
        assertThat(wanted.without()).containsExactly("lame");
        assertThat(wanted.any()).isEmpty();
    }

    @Test
    void orMakesAChoiceOfWordsOrQuotations() {
        WantedWords wanted = WantedWords.typed("fee invoice or \"direct debit\" OR mandate term");
        assertThat(wanted.all()).containsExactly("fee", "term");
        assertThat(wanted.any()).containsExactly(List.of("invoice", "direct debit", "mandate"));
    }

    @Test
    void orAtAnEndOrBesideSomethingForbiddenIsAWord() {
        assertThat(WantedWords.typed("or").all()).containsExactly("or");
        assertThat(WantedWords.typed("fee or").all()).containsExactly("fee", "or");
        WantedWords forbidden = WantedWords.typed("fee or -term");
        assertThat(forbidden.all()).containsExactly("fee", "or");
        assertThat(forbidden.without()).containsExactly("term");
    }

    @Test
    void aQuotationThatIsNotClosedGoesToTheEnd() {
        assertThat(WantedWords.typed("a \"b c").exact()).containsExactly("b c");
        assertThat(WantedWords.typed("-“b c").without()).containsExactly("b c");
        assertThat(WantedWords.typed("„eins zwei“ drei").exact()).containsExactly("eins zwei");
        assertThat(WantedWords.typed("\"\" \"").isEmpty()).isTrue();
    }

    @Test
    void hyphensInsideOfWordsAndNumbersForbidNothing() {
        WantedWords wanted = WantedWords.typed("E-0147 2026-11-25 - -- well-known");
        assertThat(wanted.without()).isEmpty();
        assertThat(wanted.all()).containsExactly("E-0147", "2026-11-25", "-", "--", "well-known");
    }

    @Test
    void whatOnlyForbidsAsksForNothing() {
        assertThat(WantedWords.typed("-lame").isEmpty()).isTrue();
        assertThat(WantedWords.nothing().isEmpty()).isTrue();
        assertThat(WantedWords.typed("x").isEmpty()).isFalse();
    }

    @Test
    void everyWordIsKeptOnceAndTwoWantsAreOne() {
        WantedWords both = WantedWords.typed("a b a").and(WantedWords.typed("b \"c\" \"c\" -d x or y"));
        assertThat(both)
                .isEqualTo(new WantedWords(List.of("a", "b"), List.of(List.of("x", "y")), List.of("c"), List.of("d")));
    }

    @ParameterizedTest
    @ValueSource(ints = {501, 10_000})
    void tooManyLettersAreRefusedWithTheirNumber(int letters) {
        assertThatThrownBy(() -> WantedWords.typed("x".repeat(letters)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("500")
                .hasMessageContaining(String.format(java.util.Locale.ROOT, "%,d", letters));
        assertThat(WantedWords.typed("x".repeat(500)).all()).hasSize(1);
    }

    @Test
    void whateverIsTypedIsReadAndNothingOfItIsLost() {
        Random random = new Random(5);
        String letters = "ab \"“”-or:|&!()'<>\\*\t0é";
        for (int i = 0; i < 20_000; i++) {
            StringBuilder typed = new StringBuilder();
            int length = random.nextInt(24);
            for (int j = 0; j < length; j++) {
                typed.append(letters.charAt(random.nextInt(letters.length())));
            }
            WantedWords wanted = WantedWords.typed(typed.toString());
            long kept = wanted.toString().chars().filter(c -> c == 'b').count();
            boolean typedB = typed.toString().contains("b");
            assertThat(kept > 0).as(typed.toString()).isEqualTo(typedB);
        }
    }
}
