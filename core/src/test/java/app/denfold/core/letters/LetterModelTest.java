package app.denfold.core.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.denfold.core.letters.RichText.Type;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LetterModelTest {

    private static LetterBlock block(String id, RichText... content) {
        return new LetterBlock(id, null, true, false, null, List.of(content));
    }

    @Test
    void blocksAndQuestionsAreThereOnce() {
        RichText line = RichText.of(Type.PARAGRAPH, RichText.words("Dear all"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterModel(List.of(), List.of(block("a", line), block("a", line))))
                .withMessageContaining("two of the block “a”");
        AskedFor fee = new AskedFor("fee", "Fee", AskedFor.Kind.NUMBER);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterModel(List.of(fee, fee), List.of(block("a", line))))
                .withMessageContaining("two of the question “fee”");
        assertThatIllegalArgumentException().isThrownBy(() -> new LetterModel(List.of(), List.of()));
    }

    @Test
    void aModelIsBounded() {
        List<LetterBlock> blocks = new ArrayList<>();
        for (int i = 0; i < LetterModel.MOST_BLOCKS; i++) {
            blocks.add(block("b" + i));
        }
        assertThat(new LetterModel(List.of(), blocks).blocks()).hasSize(200);
        blocks.add(block("one more"));
        assertThatIllegalArgumentException().isThrownBy(() -> new LetterModel(List.of(), blocks));
    }

    @Test
    void piecesLieOnlyWhereTheyMay() {
        RichText words = RichText.words("x");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> block("a", words))
                .withMessageContaining("A block holds paragraphs");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> RichText.of(Type.BULLET_LIST, RichText.of(Type.PARAGRAPH)))
                .withMessage("Paragraph cannot stand in bullet list");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> RichText.of(Type.LIST_ITEM, RichText.of(Type.PAGE_BREAK)));
        assertThatIllegalArgumentException().isThrownBy(() -> RichText.of(Type.TABLE_ROW, RichText.of(Type.PARAGRAPH)));
        assertThatIllegalArgumentException().isThrownBy(() -> RichText.words("x".repeat(RichText.LONGEST + 1)));
        assertThat(RichText.words("x".repeat(RichText.LONGEST)).text()).hasSize(20_000);
    }

    @Test
    void listsInListsEndSomewhere() {
        RichText nested = RichText.of(Type.PARAGRAPH);
        for (int i = 0; i < 5; i++) {
            nested = RichText.of(Type.BULLET_LIST, RichText.of(Type.LIST_ITEM, nested));
        }
        RichText deepest = nested;
        assertThat(deepest.all()).hasSize(11);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> RichText.of(Type.BULLET_LIST, RichText.of(Type.LIST_ITEM, deepest)))
                .withMessage("Pieces lie too deep in each other");
    }

    @Test
    void whatIsReadIsLinesWithPlacesInBraces() {
        RichText table = RichText.of(
                Type.TABLE,
                RichText.of(
                        Type.TABLE_ROW,
                        RichText.of(Type.TABLE_HEADER, RichText.of(Type.PARAGRAPH, RichText.words("Fee"))),
                        RichText.of(
                                Type.TABLE_CELL,
                                RichText.of(
                                        Type.PARAGRAPH,
                                        RichText.of(new Place("ask.fee", Place.Format.MONEY, null, true)),
                                        RichText.of(Type.LINE_BREAK),
                                        RichText.words("a month")))));
        assertThat(RichText.plain(List.of(RichText.of(Type.HEADING, RichText.words("Terms")), table)))
                .isEqualTo("Terms\nFee\n{ask.fee}\na month");
    }

    @Test
    void aBlockThatCanBeLeftOutHasAName() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new LetterBlock("a", " ", true, true, null, List.of()))
                .withMessage("A block that can be left out needs a name");
        assertThatIllegalArgumentException().isThrownBy(() -> block(" "));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "Fee", "monthly fee", "-fee", "fee-", "fee.x"})
    void shortNamesOfQuestionsAreSimple(String code) {
        assertThatIllegalArgumentException().isThrownBy(() -> new AskedFor(code, "Fee", AskedFor.Kind.TEXT));
        assertThat(new AskedFor("fee-2", "Fee", AskedFor.Kind.TEXT).name()).isEqualTo("ask.fee-2");
    }

    @Test
    void aPlaceThatCannotBeReadIsRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Place("day plus a bit", Place.Format.PLAIN, null, false))
                .withMessageContaining("cannot be read");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Place("day", Place.Format.PLAIN, "x".repeat(201), false));
    }
}
