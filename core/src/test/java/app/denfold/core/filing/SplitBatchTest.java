package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.Clues.PageClues;
import app.denfold.core.filing.SplitBatch.Rules;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SplitBatchTest {

    private static PageClues text(int number, String text) {
        return PageClues.of(number, text);
    }

    private static PageClues code(int number, String code) {
        return new PageClues(number, "", List.of(code), false);
    }

    private static PageClues blank(int number) {
        return new PageClues(number, "", List.of(), true);
    }

    @Test
    void coverSheetsBeginDocumentsAndAreLeftOut() {
        SplitBatch.Split split = SplitBatch.split(
                List.of(
                        code(1, "denfold:file=O-0147;type=first-aid"),
                        text(2, "a"),
                        text(3, "b"),
                        code(4, "denfold:file=O-0150;type=contract"),
                        text(5, "c")),
                Rules.sure());
        assertThat(split.parts()).extracting(SplitBatch.Part::pages).containsExactly(List.of(2, 3), List.of(5));
        assertThat(split.parts())
                .extracting(SplitBatch.Part::reason)
                .containsExactly("cover sheet for O-0147, first aid", "cover sheet for O-0150, contract");
        assertThat(split.parts().get(1).cover()).isEqualTo(new CoverCode("O-0150", "contract"));
        assertThat(split.leftOut()).containsExactly(1, 4);
    }

    @Test
    void aPersonGivenOnceHoldsForAllHisPapersOfTheStack() {
        SplitBatch.Split split = SplitBatch.split(
                List.of(
                        code(1, "denfold:file=O-0147"),
                        text(2, "a"),
                        code(3, "denfold:type=contract"),
                        text(4, "b"),
                        code(5, SplitBatch.SEPARATOR),
                        text(6, "c")),
                Rules.sure());
        assertThat(split.parts()).extracting(p -> p.cover().fileNumber()).containsOnly("O-0147");
        assertThat(split.parts()).extracting(p -> p.cover().type()).containsExactly(null, "contract", null);
    }

    @Test
    void blankPagesSeparateOrAreDroppedAsAsked() {
        List<PageClues> pages = List.of(text(1, "a"), blank(2), text(3, "b"), blank(4));
        Rules separate = new Rules(false, false, true, false, 0, false);
        assertThat(SplitBatch.split(pages, separate).parts())
                .extracting(SplitBatch.Part::pages)
                .containsExactly(List.of(1), List.of(3));
        Rules drop = new Rules(false, false, false, false, 0, true);
        assertThat(SplitBatch.split(pages, drop).parts())
                .extracting(SplitBatch.Part::pages)
                .containsExactly(List.of(1, 3));
        assertThat(SplitBatch.split(pages, Rules.sure()).parts())
                .extracting(SplitBatch.Part::pages)
                .containsExactly(List.of(1, 2, 3, 4));
    }

    @Test
    void pageOneOfBeginsADocumentAndSaysSo() {
        SplitBatch.Split split = SplitBatch.split(
                List.of(text(1, "Page 1 of 2"), text(2, "Page 2 of 2"), text(3, "page 1 of 3"), text(4, "page 2/3")),
                new Rules(false, false, false, true, 0, false));
        assertThat(split.parts()).extracting(SplitBatch.Part::pages).containsExactly(List.of(1, 2), List.of(3, 4));
        assertThat(split.parts().get(1).reason()).isEqualTo("“page 1 of 3” on page 3");
    }

    @Test
    void rulesCombineAndAFixedCountFillsUp() {
        Rules rules = new Rules(true, true, true, false, 2, false);
        SplitBatch.Split split = SplitBatch.split(
                List.of(
                        text(1, "a"),
                        text(2, "b"),
                        text(3, "c"),
                        blank(4),
                        text(5, "d"),
                        code(6, "denfold:file=O-1"),
                        text(7, "e")),
                rules);
        assertThat(split.parts())
                .extracting(SplitBatch.Part::pages)
                .containsExactly(List.of(1, 2), List.of(3), List.of(5), List.of(7));
        assertThat(split.parts().get(1).reason()).isEqualTo("every 2 pages");
    }

    @Test
    void noPageIsEverLostOrDoubled() {
        Random random = new Random(5);
        for (int i = 0; i < 2_000; i++) {
            List<PageClues> pages = new ArrayList<>();
            int count = random.nextInt(12);
            for (int n = 1; n <= count; n++) {
                pages.add(
                        switch (random.nextInt(6)) {
                            case 0 -> code(n, "denfold:file=O-" + random.nextInt(3));
                            case 1 -> code(n, SplitBatch.SEPARATOR);
                            case 2 -> blank(n);
                            case 3 -> text(n, "Page 1 of 2");
                            default -> text(n, "words");
                        });
            }
            Rules rules = new Rules(
                    random.nextBoolean(),
                    random.nextBoolean(),
                    random.nextBoolean(),
                    random.nextBoolean(),
                    random.nextInt(4),
                    random.nextBoolean());
            SplitBatch.Split split = SplitBatch.split(pages, rules);
            List<Integer> all = new ArrayList<>(split.leftOut());
            split.parts().forEach(p -> all.addAll(p.pages()));
            assertThat(all).doesNotHaveDuplicates().hasSize(count);
            assertThat(split.parts()).noneMatch(p -> p.pages().isEmpty());
            assertThat(split.parts().stream().flatMap(p -> p.pages().stream()).toList())
                    .isSorted();
        }
    }

    @Test
    void aCodeIsReadBackAsWrittenAndOtherCodesAreNone() {
        for (CoverCode code : List.of(
                new CoverCode("O-0147", "first-aid"),
                new CoverCode("O-0147", null),
                new CoverCode(null, "first-aid"))) {
            assertThat(CoverCode.read(code.written())).contains(code);
        }
        assertThat(CoverCode.read("denfold:")).isEmpty();
        assertThat(CoverCode.read(SplitBatch.SEPARATOR)).isEmpty();
        assertThat(CoverCode.read("4006381333931")).isEmpty();
    }
}
