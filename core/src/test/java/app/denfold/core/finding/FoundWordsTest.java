package app.denfold.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.finding.FoundWords.Matching;
import app.denfold.core.finding.FoundWords.Place;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FoundWordsTest {

    private static final List<String> PAGE =
            FoundWords.words(" The neck brace\nof the horse;  a neck\tbrace, and the brace ");

    @Test
    void aTextFallsIntoWordsAtAnyWhiteSpace() {
        assertThat(PAGE)
                .containsExactly(
                        "The", "neck", "brace", "of", "the", "horse;", "a", "neck", "brace,", "and", "the", "brace");
        assertThat(FoundWords.words(" \n\t")).isEmpty();
    }

    @Test
    void singleWordsAreFoundInEveryFormGiven() {
        assertThat(FoundWords.in(PAGE, new Matching(Set.of("brace", "brace,"), List.of())))
                .containsExactly(new Place(2, 2), new Place(8, 8), new Place(11, 11));
    }

    @Test
    void aPhraseIsOnePlaceAndItsWordsAloneAreNone() {
        List<Set<String>> neckBrace = List.of(Set.of("neck"), Set.of("brace", "brace,"));
        assertThat(FoundWords.in(PAGE, new Matching(Set.of(), List.of(neckBrace))))
                .containsExactly(new Place(1, 2), new Place(7, 8));
    }

    @Test
    void theLongerPhraseGoesFirstAndNoWordIsFoundTwice() {
        Matching wanted = new Matching(
                Set.of("neck", "brace"),
                List.of(
                        List.of(Set.of("neck"), Set.of("brace")),
                        List.of(Set.of("The", "the"), Set.of("neck"), Set.of("brace"))));
        assertThat(FoundWords.in(PAGE, wanted)).containsExactly(new Place(0, 2), new Place(7, 7), new Place(11, 11));
    }

    @Test
    void aPhraseDoesNotReachOverTheEndAndNothingIsFoundOnAnEmptyPage() {
        Matching wanted = new Matching(Set.of(), List.of(List.of(Set.of("brace"), Set.of("of")), List.of()));
        assertThat(FoundWords.in(PAGE, wanted)).containsExactly(new Place(2, 3));
        assertThat(FoundWords.in(List.of("brace"), wanted)).isEmpty();
        assertThat(FoundWords.in(List.of(), wanted)).isEmpty();
    }
}
