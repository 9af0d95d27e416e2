package app.denfold.core.sharing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.sharing.Granted.Deed;
import java.time.LocalDate;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class GrantedTest {

    private static final LocalDate LAST = LocalDate.of(2027, 1, 31);
    private static final Granted RIGHTS =
            new Granted(Set.of(Deed.ADD), Map.of("health", Set.of(Deed.SEE, Deed.SIGN), "letters", Set.of()), LAST);

    @Test
    void whatHoldsInTheFileHoldsInEverySectionAndASectionOnlyAdds() {
        assertThat(RIGHTS.allows(Deed.ADD, "health", LAST)).isTrue();
        assertThat(RIGHTS.allows(Deed.ADD, null, LAST)).isTrue();
        assertThat(RIGHTS.allows(Deed.SEE, "health", LAST)).isTrue();
        assertThat(RIGHTS.allows(Deed.SEE, "letters", LAST)).isFalse();
        assertThat(RIGHTS.allows(Deed.SEE, null, LAST))
                .as("its section is not known")
                .isFalse();
        assertThat(RIGHTS.allowsSomewhere(Deed.SEE, LAST)).isTrue();
        assertThat(RIGHTS.allowsSomewhere(Deed.REMOVE, LAST)).isFalse();
    }

    @Test
    void itHoldsThroughItsLastDayAndNoLonger() {
        assertThat(RIGHTS.holdsOn(LAST)).isTrue();
        assertThat(RIGHTS.holdsOn(LAST.plusDays(1))).isFalse();
        assertThat(RIGHTS.allows(Deed.ADD, "health", LAST.plusDays(1))).isFalse();
        assertThat(RIGHTS.allowsSomewhere(Deed.ADD, LAST.plusDays(1))).isFalse();
        assertThat(Granted.usual().holdsOn(LocalDate.MAX)).isTrue();
    }

    @Test
    void itIsToldInWords() {
        assertThat(RIGHTS.words(Map.of("health", "Health"))).isEqualTo("adds; in Health sees, signs; until 2027-01-31");
        assertThat(new Granted(Set.of(), Map.of(), null).words(Map.of())).isEqualTo("sees what is shown singly");
        assertThat(Granted.usual().words(Map.of())).isEqualTo("adds, takes back");
    }
}
