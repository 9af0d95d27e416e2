package app.denfold.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class VisitsTest {

    private static final LocalDate FIRST = LocalDate.of(2026, 11, 5);
    private static final LocalDate SECOND = LocalDate.of(2026, 11, 19);
    private final Visits visits = new Visits(List.of(SECOND, FIRST, FIRST));

    @Test
    void aPaperBelongsToTheLastVisitNotAfterItsDay() {
        assertThat(visits.visitOf(FIRST)).contains(FIRST);
        assertThat(visits.visitOf(SECOND.minusDays(1))).contains(FIRST);
        assertThat(visits.visitOf(SECOND)).contains(SECOND);
        assertThat(visits.visitOf(SECOND.plusYears(2))).contains(SECOND);
    }

    @Test
    void whatIsOlderThanTheFirstVisitBelongsToNone() {
        assertThat(visits.visitOf(FIRST.minusDays(1))).isEmpty();
        assertThat(new Visits(List.of()).visitOf(FIRST)).isEmpty();
    }

    @Test
    void theNextVisitMayBeToday() {
        assertThat(visits.next(FIRST.minusDays(3))).contains(FIRST);
        assertThat(visits.next(SECOND)).contains(SECOND);
        assertThat(visits.next(SECOND.plusDays(1))).isEmpty();
    }
}
