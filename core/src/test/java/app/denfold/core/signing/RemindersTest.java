package app.denfold.core.signing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class RemindersTest {

    private static final LocalDate TOLD = LocalDate.of(2026, 11, 2);

    @Test
    void theyComeSoManyDaysAfterTheLastWord() {
        Reminders weekly = new Reminders(7, 3);
        assertThat(weekly.next(TOLD, 0, null, null)).contains(LocalDate.of(2026, 11, 9));
        assertThat(weekly.next(TOLD, 1, LocalDate.of(2026, 11, 12), null)).contains(LocalDate.of(2026, 11, 19));
    }

    @Test
    void noMoreThanSoManyAndNoneAfterTheLastDay() {
        assertThat(new Reminders(7, 3).next(TOLD, 3, TOLD.plusDays(21), null)).isEmpty();
        assertThat(new Reminders(7, 3).next(TOLD, 0, null, TOLD.plusDays(7))).contains(TOLD.plusDays(7));
        assertThat(new Reminders(7, 3).next(TOLD, 0, null, TOLD.plusDays(6))).isEmpty();
    }

    @Test
    void noneIsAskedFor() {
        assertThat(Reminders.NONE.next(TOLD, 0, null, null)).isEmpty();
        assertThat(new Reminders(0, 3).next(TOLD, 0, null, null)).isEmpty();
        assertThatThrownBy(() -> new Reminders(-1, 3)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Reminders(1, -3)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void anAddressIsToldSoThatOnlyItsOwnerKnowsIt() {
        assertThat(ShortAddress.of("tamsin.korhola@mail.example")).isEqualTo("t…@mail.example");
        assertThat(ShortAddress.of("\"a@b\"@mail.example")).isEqualTo("\"…@mail.example");
        assertThat(ShortAddress.of("𝒯amsin@mail.example")).isEqualTo("𝒯…@mail.example");
        assertThat(ShortAddress.of("@mail.example")).isEqualTo("…");
        assertThat(ShortAddress.of("no address")).isEqualTo("…");
    }
}
