package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DecisionTest {

    @ParameterizedTest
    @CsvSource(textBlock = """
            2026-05-04, 2026-05-04, ,           ACCEPTED
            2026-05-03, 2026-05-04, ,           PENDING
            2026-05-04, 2026-05-04, 2026-05-04, ACCEPTED
            2026-05-06, 2026-05-04, 2026-05-05, SENT_BACK
            2026-05-04, 2026-05-04, 2026-05-05, ACCEPTED
            2026-05-09, 2026-05-08, 2026-05-05, ACCEPTED
            2026-05-07, 2026-05-08, 2026-05-05, SENT_BACK
            2026-05-07, ,           2026-05-08, PENDING
            2026-05-08, ,           2026-05-08, SENT_BACK
            2026-05-08, ,           ,           PENDING
            """)
    void theLatestOfTheDayHoldsAndOnOneDayTheAcceptance(
            LocalDate day, LocalDate accepted, LocalDate sentBack, Decision decision) {
        assertThat(Decision.on(day, accepted, sentBack)).isEqualTo(decision);
    }
}
