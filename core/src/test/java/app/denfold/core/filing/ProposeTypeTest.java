package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.denfold.core.filing.Clues.PageClues;
import app.denfold.core.filing.ProposeType.KnownType;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ProposeTypeTest {

    private static final List<KnownType> TYPES = List.of(
            new KnownType("first-aid", List.of("First aid certificate", "first aider")),
            new KnownType("contract", List.of("Contract", "contract of employment")),
            new KnownType("invoice", List.of("Invoice", "bill")));

    private static List<Proposal<String>> of(String text, TypeWords.Learned learned, String given) {
        return of(text, learned, given, false);
    }

    private static List<Proposal<String>> of(String text, TypeWords.Learned learned, String given, boolean isAskedFor) {
        return ProposeType.propose(
                new Clues(List.of(PageClues.of(1, text)), null, null),
                TYPES,
                learned,
                given == null ? null : new ProposeType.Given(given, isAskedFor));
    }

    @Test
    void itsNameAtTheHeadIsEnough() {
        Proposal<String> best = of("FIRST AID CERTIFICATE\nThis certifies that", TypeWords.Learned.nothing(), null)
                .get(0);
        assertThat(best.value()).isEqualTo("first-aid");
        assertThat(best.preselected()).isTrue();
        assertThat(best.reason()).isEqualTo("“First aid certificate” at its head");
    }

    @Test
    void aNameFarDownIsOnlyAHint() {
        String letter = "Dear all\n\nline\nline\nline\nline\nline\nline\nthe first aider will come";
        assertThat(of(letter, TypeWords.Learned.nothing(), null))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.preselected()).isFalse();
                    assertThat(p.reason()).contains("in the text");
                });
    }

    @Test
    void theCodeBeatsTheWords() {
        Clues clues =
                new Clues(List.of(new PageClues(1, "Invoice", List.of("denfold:type=contract"), false)), null, null);
        assertThat(ProposeType.propose(clues, TYPES, TypeWords.Learned.nothing(), null)
                        .get(0)
                        .value())
                .isEqualTo("contract");
    }

    @Test
    void whatTheDeskSaysIsTakenWhenThePaperIsSilent() {
        assertThat(of("scribble", TypeWords.Learned.nothing(), "invoice").get(0))
                .satisfies(p -> {
                    assertThat(p.value()).isEqualTo("invoice");
                    assertThat(p.reason()).isEqualTo("it came as one");
                });
    }

    @Test
    void whatWasAskedForIsSureUnlessThePaperSaysOtherwise() {
        Proposal<String> asked =
                of("scribble", TypeWords.Learned.nothing(), "invoice", true).get(0);
        assertThat(asked.reason()).isEqualTo("it was asked for");
        assertThat(asked.confidence()).isGreaterThan(0.9);
        List<Proposal<String>> both =
                of("CONTRACT\nbetween the yard and", TypeWords.Learned.nothing(), "invoice", true);
        assertThat(both).extracting(Proposal::value).containsExactly("invoice", "contract");
        assertThat(both.get(0).preselected())
                .as("two that are likely: a person looks")
                .isFalse();
    }

    @Test
    void filedPapersTeachAndForgottenOnesLeaveNoTrace() {
        TypeWords.Learned learned = TypeWords.Learned.nothing();
        for (int i = 0; i < 8; i++) {
            learned = learned.with("invoice", "amount due oats hay straw payable within thirty days", 1)
                    .with("contract", "weekly hours leave notice employer employee agree", 1);
        }
        assertThat(of("straw and oats, amount payable", learned, null).get(0)).satisfies(p -> {
            assertThat(p.value()).isEqualTo("invoice");
            assertThat(p.reason()).isEqualTo("much like 8 papers filed as one");
        });
        TypeWords.Learned corrected = learned.with("contract", "straw and oats, amount payable", 1)
                .with("contract", "straw and oats, amount payable", -1);
        assertThat(of("straw and oats, amount payable", corrected, null))
                .isEqualTo(of("straw and oats, amount payable", learned, null));
    }

    @Test
    void aPaperWithOnlyCommonWordsIsLikeNoLearnedType() {
        TypeWords.Learned learned = TypeWords.Learned.nothing();
        for (int i = 0; i < 6; i++) {
            learned = learned.with("invoice", "oakhollin riding yard amount due oats hay straw payable", 1)
                    .with("contract", "oakhollin riding yard weekly hours leave notice employer agree", 1)
                    .with("first-aid", "oakhollin riding yard course attended practical test written passed", 1);
        }
        assertThat(of("oakhollin riding yard", learned, null))
                .allSatisfy(p -> assertThat(p.confidence()).isLessThan(0.35));
        assertThat(of("oakhollin riding yard oats hay payable", learned, null).get(0))
                .satisfies(p -> {
                    assertThat(p.value()).isEqualTo("invoice");
                    assertThat(p.confidence()).isGreaterThan(0.6);
                });
    }

    /** Of the papers proposed with about ninety in a hundred, about ninety in a hundred are right. */
    @Test
    void confidenceIsCalibrated() {
        Random random = new Random(11);
        TypeWords.Learned learned = TypeWords.Learned.nothing();
        for (int i = 0; i < 240; i++) {
            String type = TYPES.get(i % 3).code();
            learned = learned.with(type, paper(type, random), 1);
        }
        double claimed = 0;
        double right = 0;
        int sure = 0;
        int sureAndRight = 0;
        int all = 600;
        for (int i = 0; i < all; i++) {
            String type = TYPES.get(i % 3).code();
            List<Proposal<String>> proposals = of(paper(type, random), learned, null);
            Proposal<String> best = proposals.get(0);
            claimed += best.confidence();
            right += best.value().equals(type) ? 1 : 0;
            if (best.confidence() >= 0.9) {
                sure++;
                sureAndRight += best.value().equals(type) ? 1 : 0;
            }
        }
        assertThat(claimed / all).as("mean confidence").isCloseTo(right / all, within(0.12));
        assertThat((double) sureAndRight / sure).as("right among the sure").isGreaterThan(0.9);
    }

    private static final List<String> COMMON =
            List.of("yard", "horse", "name", "date", "page", "oakhollin", "phone", "please");

    /** Four words in ten are of the type's own, the others could be on any paper. */
    private static String paper(String type, Random random) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < 14; i++) {
            int pick = random.nextInt(10);
            words.add(
                    pick < 2
                            ? type.replace('-', 'x') + "word" + "abcdefgh".charAt(random.nextInt(8))
                            : pick < 4
                                    ? TYPES.get(random.nextInt(3)).code().replace('-', 'x') + "word"
                                            + "abcdefgh".charAt(random.nextInt(8))
                                    : COMMON.get(random.nextInt(COMMON.size())));
        }
        return String.join(" ", words);
    }
}
