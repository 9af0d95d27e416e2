package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.rules.Decision;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DocumentStateTest {

    @ParameterizedTest
    @CsvSource(textBlock = """
            true,  true,  SENT_BACK, true,  true,  ENTERED_IN_ERROR
            false, true,  SENT_BACK, true,  true,  AWAITED
            false, false, SENT_BACK, true,  true,  SENT_BACK
            false, false, SENT_BACK, false, false, SENT_BACK
            false, false, PENDING,   true,  true,  UNSIGNED
            false, false, ACCEPTED,  true,  false, UNSIGNED
            false, false, PENDING,   false, true,  IN_REVIEW
            false, false, ACCEPTED,  false, true,  FILED
            false, false, PENDING,   false, false, FILED
            """)
    void theFirstThatAppliesIsTold(
            boolean inError,
            boolean awaited,
            Decision decision,
            boolean unsigned,
            boolean reviewed,
            DocumentState state) {
        assertThat(DocumentState.of(inError, awaited, decision, unsigned, reviewed))
                .isEqualTo(state);
        assertThat(state.isSettled()).isEqualTo(state == DocumentState.FILED);
    }
}
