package app.denfold.core.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.core.letters.FillLetter.Writing;
import app.denfold.core.letters.RichText.Type;
import java.util.Collections;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What stands on each page of a letter, and pictures in it. */
class LetterSheetTest {

    private static final Place NAME = new Place("person.name", Place.Format.PLAIN, null, true);
    private static final RichText MAP = RichText.of(new Picture("map", 80), "The way to the yard");

    private static RichText line(RichText... content) {
        return RichText.of(Type.PARAGRAPH, content);
    }

    private static Letter filled(LetterSheet sheet, String name) {
        LetterModel model =
                new LetterModel(List.of(), List.of(new LetterBlock("a", null, true, false, null, List.of(MAP))), sheet);
        Map<String, LetterValue> known = name == null ? Map.of() : Map.of("person.name", LetterValue.text(name));
        return new FillLetter(known, Map.of(), c -> true, Locale.UK, Currency.getInstance("EUR"))
                .fill(model, new Writing(Map.of(), Set.of(), Map.of()));
    }

    @Test
    void placesOnEachPageAreFilledAndAskedForLikeOthers() {
        LetterSheet sheet =
                new LetterSheet(false, List.of(line(RichText.words("For "), RichText.of(NAME))), List.of(MAP), false);
        Letter letter = filled(sheet, "Tamsin Korhola");
        assertThat(RichText.plain(letter.sheet().top())).isEqualTo("For Tamsin Korhola");
        assertThat(letter.sheet().foot()).containsExactly(MAP);
        assertThat(letter.sheet().head()).isFalse();
        assertThat(letter.sheet().numbered()).isFalse();
        assertThat(filled(sheet, null).missing())
                .extracting(FillLetter.Missing::name)
                .containsExactly("person.name");
    }

    @Test
    void aNameThatIsLongerThanThereIsRoomForIsCutAndWhatFollowsIsLeftOut() {
        LetterSheet sheet = new LetterSheet(
                true,
                List.of(line(RichText.of(NAME), RichText.words(" and more")), line(RichText.words("end"))),
                null,
                true);
        List<RichText> top = filled(sheet, "x".repeat(5_000)).sheet().top();
        assertThat(RichText.plain(top)).isEqualTo("x".repeat(299) + "…\n");
        String fits = "x".repeat(288);
        assertThat(RichText.plain(filled(sheet, fits).sheet().top())).isEqualTo(fits + " and more\nend");
        assertThat(RichText.plain(filled(sheet, fits + "x").sheet().top())).isEqualTo(fits + "x and more\ne…");
    }

    @Test
    void thereIsRoomForThreeLinesAndPicturesOnly() {
        RichText line = line(RichText.words("x"));
        assertThat(new LetterSheet(true, Collections.nCopies(3, line), List.of(), true).top())
                .hasSize(3);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterSheet(true, Collections.nCopies(4, line), List.of(), true))
                .withMessageContaining("At the top");
        String most = "x".repeat(LetterSheet.MOST_CHARACTERS);
        assertThat(new LetterSheet(true, null, List.of(line(RichText.words(most))), true).foot())
                .hasSize(1);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterSheet(true, null, List.of(line(RichText.words(most + "x"))), true))
                .withMessageContaining("At the foot");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterSheet(true, List.of(RichText.of(Type.PAGE_BREAK)), null, true))
                .withMessageContaining("lines and pictures only");
    }

    @Test
    void allNamesAndPicturesOfAModelAreThoseOnItsPagesToo() {
        RichText mark = RichText.of(new Picture("mark", 20), "Mark");
        LetterModel model = new LetterModel(
                List.of(),
                List.of(new LetterBlock("a", null, true, false, null, List.of(MAP))),
                new LetterSheet(true, List.of(mark), List.of(line(RichText.of(NAME))), true));
        assertThat(model.pictures()).containsExactlyInAnyOrder("map", "mark");
        assertThat(model.names()).containsExactly("person.name");
    }

    @Test
    void thereAreUpToFiftyPicturesInAModelAndInWhatIsCorrected() {
        List<RichText> most = Collections.nCopies(LetterModel.MOST_PICTURES, MAP);
        LetterBlock full = new LetterBlock("a", null, true, false, null, most);
        assertThat(new LetterModel(List.of(), List.of(full)).pictures()).containsExactly("map");
        LetterSheet more = new LetterSheet(true, List.of(MAP), null, true);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterModel(List.of(), List.of(full), more))
                .withMessageContaining("up to 50 pictures");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Writing(Map.of(), Set.of(), Map.of("a", most, "b", List.of(MAP))));
    }

    @ParameterizedTest
    @ValueSource(ints = {-1, 0, 4, 165})
    void aPictureIsAsWideAsThePageHasRoomFor(int width) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Picture("map", width))
                .withMessageContaining("from 5 to 164 mm");
        assertThat(new Picture("map", 164).width()).isEqualTo(164);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  "})
    void aPictureSaysWhatItShows(String shows) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> RichText.of(new Picture("map", 80), shows))
                .withMessageContaining("what it shows");
        assertThatIllegalArgumentException().isThrownBy(() -> new Picture(shows, 80));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> RichText.of(new Picture("map", 80), "x".repeat(RichText.LONGEST_SHOWN + 1)));
    }
}
