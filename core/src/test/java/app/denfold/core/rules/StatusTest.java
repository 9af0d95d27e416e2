package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class StatusTest {

    private static Set<Status> those(Predicate<Status> which) {
        return EnumSet.allOf(Status.class).stream().filter(which).collect(Collectors.toSet());
    }

    @Test
    void aPaperIsWantedWhereOneWouldHelpAndNoneIsOnItsWay() {
        assertThat(those(s -> s.isWanting(Renewal.NONE)))
                .containsExactlyInAnyOrder(
                        Status.MISSING,
                        Status.LAPSED,
                        Status.SENT_BACK,
                        Status.IN_GRACE,
                        Status.NOT_YET_DUE,
                        Status.EXPIRING);
        assertThat(Status.EXPIRING.isWanting(Renewal.IN_REVIEW)).isFalse();
        assertThat(Status.EXPIRING.isWanting(Renewal.AWAITING_SIGNATURE)).isFalse();
        assertThat(Status.LAPSED.isWanting(Renewal.IN_REVIEW)).isTrue();
    }

    @Test
    void whatIsMetIsNeverOpen() {
        assertThat(those(s -> s.isMet() && s.isOpen())).isEmpty();
        assertThat(those(s -> !s.isMet() && !s.isOpen()))
                .containsExactlyInAnyOrder(Status.NOT_APPLICABLE, Status.NOT_YET_DUE);
    }

    @Test
    void aLapseHadAPaperAndWhatIsMissingHadNone() {
        assertThat(those(Status::isLapse))
                .containsExactlyInAnyOrder(Status.IN_GRACE, Status.LAPSED, Status.IN_REVIEW, Status.AWAITING_SIGNATURE);
        assertThat(those(Status::isWorse)).containsExactlyInAnyOrder(Status.IN_GRACE, Status.LAPSED, Status.MISSING);
    }
}
