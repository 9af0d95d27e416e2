package app.denfold.core.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.denfold.core.keeping.KeepingRules.KeptUntil;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class KeepingRulesTest {

    private static final LocalDate LEFT = LocalDate.of(2026, 8, 31);

    private final KeepingRules rules =
            new KeepingRules(Map.of("applicant", 6, "employee", 36, "visitor", 0), Map.of("contract", 84, "photo", 1));

    @Test
    void aFileIsKeptForThePeriodOfItsKindTheLastDayIncluded() {
        KeptUntil until = rules.until("applicant", LEFT, List.of("letter")).orElseThrow();
        assertThat(until).isEqualTo(new KeptUntil(LocalDate.of(2027, 2, 28), Optional.empty()));
        assertThat(until.isOverOn(LocalDate.of(2027, 2, 28))).isFalse();
        assertThat(until.isOverOn(LocalDate.of(2027, 3, 1))).isTrue();
    }

    @Test
    void aPaperMakesItsFileStayLongerAndNeverShorter() {
        assertThat(rules.until("employee", LEFT, List.of("photo", "contract")))
                .contains(new KeptUntil(LocalDate.of(2033, 8, 31), Optional.of("contract")));
        assertThat(rules.until("employee", LEFT, List.of("photo")))
                .contains(new KeptUntil(LocalDate.of(2029, 8, 31), Optional.empty()));
    }

    @Test
    void ofPapersThatAskForTheSameTheFirstByNameIsNamed() {
        KeepingRules same = new KeepingRules(Map.of("employee", 1), Map.of("b", 2, "a", 2));
        assertThat(same.until("employee", LEFT, List.of("b", "a")))
                .contains(new KeptUntil(LocalDate.of(2026, 10, 31), Optional.of("a")));
    }

    @Test
    void withoutARuleForItsKindAFileIsKeptWithoutEnd() {
        assertThat(rules.until("patient", LEFT, List.of("photo"))).isEmpty();
    }

    @Test
    void noMonthsMeanTheLastDayItself() {
        KeptUntil until = rules.until("visitor", LEFT, List.of()).orElseThrow();
        assertThat(until.isOverOn(LEFT)).isFalse();
        assertThat(until.isOverOn(LEFT.plusDays(1))).isTrue();
    }

    @Test
    void nothingIsKeptForLessThanNoTime() {
        assertThatIllegalArgumentException().isThrownBy(() -> new KeepingRules(Map.of("employee", -1), Map.of()));
        assertThatIllegalArgumentException().isThrownBy(() -> new KeepingRules(Map.of(), Map.of("photo", -1)));
    }
}
