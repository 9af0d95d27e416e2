package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class LikePapersTest {

    private static final String LOOK = "0123456789abcdef".repeat(4);
    private static final String NEARLY = "0123456789abcdee".repeat(4);
    private static final String OTHER = "fedcba9876543210".repeat(4);

    private static LikePapers.Page page(String look, String text) {
        return new LikePapers.Page(look, text);
    }

    @Test
    void bitsAreCountedAndAMissingLookIsWhollyApart() {
        assertThat(LikePapers.apart(LOOK, NEARLY)).isEqualTo(4);
        assertThat(LikePapers.apart(LOOK, OTHER)).isGreaterThan(LikePapers.MOST_BITS);
        assertThat(LikePapers.apart(LOOK, "")).isEqualTo(LikePapers.BITS);
        assertThat(LikePapers.apart("", "")).isEqualTo(LikePapers.BITS);
    }

    @Test
    void aPaperScannedAgainIsLikeDespiteAReadingError() {
        String text = "this is to certify that noor vahdani attended the full course and passed";
        assertThat(LikePapers.likeness(
                        List.of(page(LOOK, text)), List.of(page(NEARLY, text.replace("attended", "attcnded")))))
                .isGreaterThan(0.6)
                .isLessThan(1);
    }

    @Test
    void oneFormFilledForTwoPeopleIsNotTheSamePaper() {
        assertThat(LikePapers.likeness(
                        List.of(page(LOOK, "first aid for noor vahdani born second march")),
                        List.of(page(LOOK, "first aid for ilse varga moon born ninth june"))))
                .isLessThan(0.3);
    }

    @Test
    void twoCertificatesOfOneCourseAreTwoPapersThoughTheirWordsAreTheSame() {
        String form =
                "this is to certify that %s attended the full course and passed the practical and the written test"
                        + " course held at fennick hall 16 hours outdoor and riding settings issued %s";
        assertThat(LikePapers.likeness(
                        List.of(page(LOOK, form.formatted("noor vahdani born 8 june 1993", "19 november 2026"))),
                        List.of(page(LOOK, form.formatted("noor vahdani born 8 june 1993", "4 december 2024")))))
                .isLessThan(LikePapers.SAME);
        assertThat(LikePapers.likeness(
                        List.of(page(LOOK, form.formatted("noor vahdani born 8 june 1993", "19 november 2026"))),
                        List.of(page(NEARLY, form.formatted("noor vahdam born 8 june 1993", "19 november 2026")))))
                .isGreaterThan(0.8);
    }

    @Test
    void moreOrFewerPagesOrOtherLooksAreAnotherPaper() {
        assertThat(LikePapers.likeness(List.of(page(LOOK, "a b c d")), List.of(page(OTHER, "a b c d"))))
                .isZero();
        assertThat(LikePapers.likeness(List.of(page(LOOK, "a b c")), List.of(page(LOOK, "a b c"), page(LOOK, "a b c"))))
                .isZero();
        assertThat(LikePapers.likeness(List.of(), List.of())).isZero();
    }
}
