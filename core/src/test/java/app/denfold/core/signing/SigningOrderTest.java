package app.denfold.core.signing;

import static app.denfold.core.signing.SigningTurn.Outcome.DECLINED;
import static app.denfold.core.signing.SigningTurn.Outcome.DONE;
import static app.denfold.core.signing.SigningTurn.Outcome.OPEN;
import static app.denfold.core.signing.SigningTurn.Outcome.SENT_BACK;
import static app.denfold.core.signing.SigningTurn.Outcome.TO_CONFIRM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.signing.SigningOrder.Hindrance;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SigningOrderTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);

    /** An approver, then two guardians side by side, then the director. */
    private static SigningOrder consent(Outcome approver, Outcome first, Outcome second, Outcome director) {
        return new SigningOrder(List.of(
                new SigningTurn(0, Task.APPROVE, approver),
                new SigningTurn(1, Task.SIGN, first),
                new SigningTurn(1, Task.SIGN, second),
                new SigningTurn(2, Task.SIGN, director)));
    }

    @Test
    void stepsFollowEachOtherAndAStepIsTakenSideBySide() {
        assertThat(consent(OPEN, OPEN, OPEN, OPEN).whoseTurn()).containsExactly(0);
        assertThat(consent(DONE, OPEN, OPEN, OPEN).whoseTurn()).containsExactly(1, 2);
        assertThat(consent(DONE, OPEN, DONE, OPEN).whoseTurn()).containsExactly(1);
        assertThat(consent(DONE, DONE, DONE, OPEN).whoseTurn()).containsExactly(3);
        assertThat(consent(DONE, DONE, DONE, DONE).whoseTurn()).isEmpty();
    }

    @Test
    void whatWasSignedWithAPenWaitsForALookBeforeTheNextStep() {
        SigningOrder scanned = consent(DONE, TO_CONFIRM, DONE, OPEN);
        assertThat(scanned.state()).isEqualTo(RequestState.OPEN);
        assertThat(scanned.whoseTurn()).isEmpty();
        assertThat(scanned.openStep()).hasValue(1);
    }

    @Test
    void oneRefusalEndsItForEverybody() {
        assertThat(consent(DONE, DONE, DECLINED, OPEN).state()).isEqualTo(RequestState.DECLINED);
        assertThat(consent(SENT_BACK, OPEN, OPEN, OPEN).state()).isEqualTo(RequestState.SENT_BACK);
        assertThat(consent(DONE, DONE, DECLINED, OPEN).whoseTurn()).isEmpty();
        assertThat(consent(DONE, DONE, DONE, DONE).state()).isEqualTo(RequestState.COMPLETE);
    }

    @Test
    void whyATurnCannotBeTakenIsTold() {
        SigningOrder order = consent(DONE, DONE, OPEN, OPEN);
        assertThat(order.hindrance(2, RequestState.OPEN, null, TODAY)).isEmpty();
        assertThat(order.hindrance(3, RequestState.OPEN, null, TODAY)).contains(Hindrance.NOT_YET);
        assertThat(order.hindrance(1, RequestState.OPEN, null, TODAY)).contains(Hindrance.DONE_ALREADY);
        assertThat(order.hindrance(2, RequestState.WITHDRAWN, null, TODAY)).contains(Hindrance.ENDED);
        assertThat(order.hindrance(1, RequestState.WITHDRAWN, null, TODAY)).contains(Hindrance.DONE_ALREADY);
    }

    @Test
    void theLastDayIsStillADayToSign() {
        SigningOrder order = consent(OPEN, OPEN, OPEN, OPEN);
        assertThat(order.hindrance(0, RequestState.OPEN, TODAY, TODAY)).isEmpty();
        assertThat(order.hindrance(0, RequestState.OPEN, TODAY.minusDays(1), TODAY))
                .contains(Hindrance.PAST_DUE);
    }

    @Test
    void nobodyIsAskedByARequestWithoutTurns() {
        assertThatThrownBy(() -> new SigningOrder(List.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new SigningTurn(-1, Task.SIGN, OPEN)).isInstanceOf(IllegalArgumentException.class);
    }

    /** However many steps there are and in whatever order the turns are written, each is taken once and no step early. */
    @Test
    void everyOrderEndsWithEverybodyHavingSigned() {
        Random random = new Random(7);
        for (int round = 0; round < 300; round++) {
            List<SigningTurn> turns = new ArrayList<>();
            int count = 1 + random.nextInt(8);
            for (int i = 0; i < count; i++) {
                turns.add(new SigningTurn(random.nextInt(4), Task.SIGN, OPEN));
            }
            int taken = 0;
            int lastStep = 0;
            while (new SigningOrder(turns).state() == RequestState.OPEN) {
                List<Integer> now = new SigningOrder(turns).whoseTurn();
                int next = now.get(random.nextInt(now.size()));
                assertThat(turns.get(next).step()).isGreaterThanOrEqualTo(lastStep);
                lastStep = turns.get(next).step();
                turns.set(next, new SigningTurn(lastStep, Task.SIGN, DONE));
                taken++;
            }
            assertThat(taken).isEqualTo(count);
        }
    }
}
