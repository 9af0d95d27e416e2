package app.denfold.core.numbering;

import static app.denfold.core.numbering.NumberPlace.BOTTOM_LEFT;
import static app.denfold.core.numbering.NumberPlace.BOTTOM_MIDDLE;
import static app.denfold.core.numbering.NumberPlace.BOTTOM_RIGHT;
import static app.denfold.core.numbering.NumberPlace.TOP_LEFT;
import static app.denfold.core.numbering.NumberPlace.TOP_MIDDLE;
import static app.denfold.core.numbering.NumberPlace.TOP_RIGHT;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.marks.PageBox;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RunningNumbersTest {

    @ParameterizedTest
    @CsvSource({
        "OAK-, 6, 123, OAK-000123",
        "OAK-, 6, 1234567, OAK-1234567",
        "'', 1, 7, 7",
        "Yard 2/, 3, 1, Yard 2/001",
        "A, 12, 999999999999, A999999999999",
    })
    void aNumberIsFilledUpWithZerosAndIsNeverCut(String prefix, int digits, long number, String written) {
        assertThat(new NumberForm(prefix, digits).written(number)).isEqualTo(written);
    }

    @ParameterizedTest
    @ValueSource(strings = {"OAK-000123", "oak-123", "  Oak-00000000123 ", "OAK-123"})
    void aNumberIsReadHoweverItIsTyped(String typed) {
        assertThat(NumberForm.read(typed)).contains(new NumberForm.Read("OAK-", 123));
    }

    @Test
    void lettersMakeTheSeries() {
        assertThat(new NumberForm("oak-", 3).series()).isEqualTo(new NumberForm(" OAK-", 9).series());
        assertThat(new NumberForm("Oak  B ", 3).series()).isEqualTo("OAK B");
        assertThat(NumberForm.read("Oak  b 12")).contains(new NumberForm.Read("OAK B", 12));
        assertThat(NumberForm.read("12")).contains(new NumberForm.Read("", 12));
        assertThat(NumberForm.read("A1-12")).contains(new NumberForm.Read("A1-", 12));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "OAK-", "OAK-0", "OAK-1x", "a?1", "1234567890123"})
    void whatIsNoNumberIsNotRead(String typed) {
        assertThat(NumberForm.read(typed)).isEmpty();
    }

    @Test
    void whatCannotBeIsRefusedInWords() {
        // two series could otherwise write the same number
        assertThatThrownBy(() -> new NumberForm("OAK-0", 3)).hasMessageContaining("the last of them is no digit");
        assertThatThrownBy(() -> new NumberForm("a\nb", 3)).hasMessageContaining("letters, digits");
        assertThatThrownBy(() -> new NumberForm("x".repeat(21), 3)).hasMessageContaining("up to 20");
        assertThat(new NumberForm("x".repeat(20), 12).digits()).isEqualTo(12);
        assertThatThrownBy(() -> new NumberForm("", 0)).hasMessageContaining("1 to 12 digits");
        assertThatThrownBy(() -> new NumberForm("", 13)).hasMessageContaining("1 to 12 digits");
        NumberForm form = new NumberForm("", 1);
        assertThatThrownBy(() -> form.written(0)).hasMessageContaining("from 1");
        assertThat(form.written(NumberForm.LARGEST)).hasSize(12);
        assertThatThrownBy(() -> form.written(NumberForm.LARGEST + 1)).hasMessageContaining("from 1");
    }

    private static List<PageBox> boxes(NumberPlace wished) {
        return wished.inOrder().stream().map(p -> p.box(1_000, 200, 300, 400)).toList();
    }

    @Test
    void eachPlaceLiesInItsCornerOrMiddle() {
        assertThat(BOTTOM_RIGHT.box(1_000, 200, 300, 400)).isEqualTo(new PageBox(8_700, 9_400, 1_000, 200));
        assertThat(BOTTOM_MIDDLE.box(1_000, 200, 300, 400)).isEqualTo(new PageBox(4_500, 9_400, 1_000, 200));
        assertThat(BOTTOM_LEFT.box(1_000, 200, 300, 400)).isEqualTo(new PageBox(300, 9_400, 1_000, 200));
        assertThat(TOP_LEFT.box(1_000, 200, 300, 400)).isEqualTo(new PageBox(300, 400, 1_000, 200));
    }

    @Test
    void otherPlacesOfTheSameEndComeBeforeThoseOfTheOther() {
        assertThat(BOTTOM_LEFT.inOrder())
                .containsExactly(BOTTOM_LEFT, BOTTOM_RIGHT, BOTTOM_MIDDLE, TOP_RIGHT, TOP_MIDDLE, TOP_LEFT);
        assertThat(TOP_MIDDLE.inOrder())
                .containsExactly(TOP_MIDDLE, TOP_RIGHT, TOP_LEFT, BOTTOM_RIGHT, BOTTOM_MIDDLE, BOTTOM_LEFT);
    }

    @Test
    void aNumberAvoidsWhatStandsOnThePage() {
        PageBox foot = new PageBox(5_000, 9_300, 5_000, 400);
        assertThat(BOTTOM_RIGHT.free(boxes(BOTTOM_RIGHT), List.of()).place()).isEqualTo(BOTTOM_RIGHT);
        // the middle reaches from 4,500 to 5,500
        NumberPlace.Chosen aside = BOTTOM_RIGHT.free(boxes(BOTTOM_RIGHT), List.of(foot));
        assertThat(aside.place()).isEqualTo(BOTTOM_LEFT);
        assertThat(aside.isFree()).isTrue();
        PageBox wholeFoot = new PageBox(0, 9_300, 10_000, 400);
        assertThat(BOTTOM_RIGHT.free(boxes(BOTTOM_RIGHT), List.of(wholeFoot)).place())
                .isEqualTo(TOP_RIGHT);
    }

    @Test
    void whereNothingIsFreeTheLeastIsCoveredAndThatIsTold() {
        PageBox all = new PageBox(0, 0, 10_000, 10_000);
        assertThat(TOP_LEFT.free(boxes(TOP_LEFT), List.of(all))).satisfies(chosen -> {
            assertThat(chosen.place()).isEqualTo(TOP_LEFT);
            assertThat(chosen.isFree()).isFalse();
        });
        List<PageBox> most = List.of(
                new PageBox(0, 0, 10_000, 5_000),
                new PageBox(0, 9_000, 9_500, 1_000),
                new PageBox(0, 9_000, 4_000, 900));
        assertThat(BOTTOM_LEFT.free(boxes(BOTTOM_LEFT), most).place()).isEqualTo(BOTTOM_RIGHT);
    }
}
