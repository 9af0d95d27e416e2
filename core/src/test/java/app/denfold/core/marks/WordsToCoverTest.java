package app.denfold.core.marks;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.marks.WordsToCover.Hit;
import app.denfold.core.marks.WordsToCover.Page;
import app.denfold.core.marks.WordsToCover.Wanted;
import app.denfold.core.marks.WordsToCover.What;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsToCoverTest {

    /** Words of 100 by 20 with 10 between them; each line 40 below the one before. */
    private static Page page(String text) {
        List<PageBox> boxes = new ArrayList<>();
        String[] lines = text.split("\n");
        for (int line = 0; line < lines.length; line++) {
            int words = lines[line].strip().split("\\s+").length;
            for (int i = 0; i < words; i++) {
                boxes.add(new PageBox(500 + 110 * i, 1_000 + 40 * line, 100, 20));
            }
        }
        return new Page(text, boxes);
    }

    private static List<String> words(String text, Wanted wanted) {
        return WordsToCover.on(page(text), wanted).stream().map(Hit::words).toList();
    }

    private static Wanted every(What what, LocalDate... births) {
        return new Wanted(List.of(), Set.of(what), Set.of(births));
    }

    @ParameterizedTest
    @CsvSource(quoteCharacter = '"', textBlock = """
            Tamsin Korhola, "for Tamsin Korhola, aged nine", "Tamsin Korhola,"
            tamsin korhola, for TAMSIN KORHOLA (rider), TAMSIN KORHOLA
            Korhola, the Korhola's horse, Korhola's
            Korhola, write to t.korhola@post.example today, t.korhola@post.example
            Tamsin Korhola, signed TamsinKorhola here, TamsinKorhola
            Zoë Brûlé, for Zoe Brule only, Zoe Brule
            AT61 1904 3002 3457 3201, to AT611904300234573201 please, AT611904300234573201
            AT611904300234573201, to AT61 1904 3002 3457 3201 please, AT61 1904 3002 3457 3201
            OAK-4711, number OAK 4711 of May, OAK 4711
            """)
    void wordsAreFoundHoweverTheyAreWritten(String phrase, String text, String found) {
        assertThat(words(text, Wanted.phrases(phrase))).containsExactly(found);
        assertThat(WordsToCover.on(page(text), Wanted.phrases(phrase)).get(0).likely())
                .isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "Ann, Hannah rides on Monday",
        "Korhola, the paddock is closed",
        "4711, from 47110 to 471",
        "Tamsin Korhola, Tamsin of Korhola",
        "'   ', any words at all"
    })
    void otherWordsAreNot(String phrase, String text) {
        assertThat(words(text, Wanted.phrases(phrase))).isEmpty();
    }

    @Test
    void whatAPoorScanMadeOfAWordIsLikely() {
        List<Hit> hits = WordsToCover.on(page("Tamsin Korho1a and Kohrola"), Wanted.phrases("Korhola"));
        assertThat(hits).extracting(Hit::words).containsExactly("Korho1a", "Kohrola");
        assertThat(hits).allMatch(Hit::likely);
    }

    @Test
    void aWordPartedAtTheEndOfALineIsOne() {
        List<Hit> hits = WordsToCover.on(page("seen by Kor-\nhola today"), Wanted.phrases("Korhola"));
        assertThat(hits).hasSize(1);
        assertThat(hits.get(0).areas()).hasSize(2);
        assertThat(hits.get(0).words()).isEqualTo("Kor- hola");
    }

    @Test
    void wordsOfOneLineAreOneAreaAndALittleLarger() {
        Hit hit = WordsToCover.on(page("for Tamsin Korhola"), Wanted.phrases("Tamsin Korhola"))
                .get(0);
        assertThat(hit.first()).isEqualTo(1);
        assertThat(hit.last()).isEqualTo(2);
        assertThat(hit.areas()).containsExactly(new PageBox(606, 997, 218, 26));
    }

    @Test
    void aWordThatStandsNowhereIsFoundWithoutAPlace() {
        Page page = new Page("name Korhola", List.of(new PageBox(1, 1, 5, 5), new PageBox(0, 0, 0, 0)));
        assertThat(WordsToCover.on(page, Wanted.phrases("Korhola")).get(0).areas())
                .isEmpty();
    }

    @Test
    void theLongerOfTwoIsOneAndNoWordIsInBoth() {
        assertThat(words("for Tamsin Korhola here", Wanted.phrases("Tamsin", "Tamsin Korhola", "Korhola here")))
                .containsExactly("Tamsin Korhola", "here");
    }

    @Test
    void birthDatesAreThoseThePageCallsSoAndThoseThatAreKnown() {
        String text = "Born 4 May 2014, filed 5 June 2026.\nRides since 04.05.2014 and 2026-06-05.";
        assertThat(words(text, every(What.BIRTH_DATES))).containsExactly("4 May 2014,");
        assertThat(words(text, every(What.BIRTH_DATES, LocalDate.of(2014, 5, 4))))
                .containsExactly("4 May 2014,", "04.05.2014");
        assertThat(words(text, every(What.DATES)))
                .containsExactly("4 May 2014,", "5 June 2026.", "04.05.2014", "2026-06-05.");
    }

    @Test
    void aKnownBirthDateIsFoundInEitherOrder() {
        assertThat(words("seen 05/04/2014", every(What.BIRTH_DATES, LocalDate.of(2014, 5, 4))))
                .containsExactly("05/04/2014");
        assertThat(words("seen 05/04/2014 and 25/12/2015", every(What.BIRTH_DATES, LocalDate.of(2014, 5, 4))))
                .as("even where another day tells that days come first")
                .containsExactly("05/04/2014");
        assertThat(words("Issued 5 June 2026, valid for two years", every(What.DATES)))
                .as("a day that was worked out stands nowhere")
                .containsExactly("5 June 2026,");
    }

    @Test
    void addressesAndNumbersAreFoundByTheirForm() {
        String text = "Write to ruth@post.example or call +44 1632 960 123 by 5 June 2026, or (01632) 960124.\n"
                + "Policy HL 2026-118204, box 12, horse 4711.";
        assertThat(words(text, every(What.MAIL_ADDRESSES))).containsExactly("ruth@post.example");
        assertThat(words(text, every(What.PHONE_NUMBERS))).startsWith("+44 1632 960 123", "(01632) 960124.");
        assertThat(words(text, every(What.LONG_NUMBERS)))
                .contains("HL 2026-118204,")
                .doesNotContain("4711.", "12,");
    }

    @Test
    void aDayIsNoNumber() {
        assertThat(words("on 04.05.2026 and 2026-05-04", every(What.PHONE_NUMBERS)))
                .isEmpty();
        assertThat(words("on 2026-05-04", every(What.LONG_NUMBERS))).isEmpty();
    }

    @Test
    void wordsUnderAnAreaAreThoseThatLieInItForMoreThanHalf() {
        Page page = page("one two three");
        assertThat(WordsToCover.under(page, List.of(new PageBox(600, 990, 150, 40))))
                .containsExactly("two");
        assertThat(WordsToCover.under(page, List.of())).isEmpty();
        assertThat(WordsToCover.openText(page, List.of(new PageBox(600, 990, 21, 40))))
                .isEqualTo("one three");
        assertThat(WordsToCover.openText(page, List.of())).isEqualTo("one two three");
    }
}
