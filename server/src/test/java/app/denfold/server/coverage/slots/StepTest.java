package app.denfold.server.coverage.slots;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import app.denfold.server.coverage.SlotKey;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The steps a slot keeps, and what becomes of it as days pass. */
class StepTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

    private static RequirementAnswer answer(Status status, LocalDate covered, LocalDate changesOn, Status next) {
        return new RequirementAnswer(
                "list",
                "r",
                Requirement.Level.BLOCKING,
                status,
                covered,
                null,
                Renewal.NONE,
                changesOn == null ? null : new RequirementAnswer.Change(changesOn, next),
                List.of());
    }

    /** On file, expiring in ten days, in grace in twenty, lapsed in twenty-five. */
    private static List<RequirementAnswer> course() {
        LocalDate held = TODAY.plusDays(19);
        return List.of(
                answer(Status.ON_FILE, held, TODAY.plusDays(10), Status.EXPIRING),
                answer(Status.EXPIRING, held, TODAY.plusDays(20), Status.IN_GRACE),
                answer(Status.IN_GRACE, held, TODAY.plusDays(25), Status.LAPSED),
                answer(Status.LAPSED, held, null, null));
    }

    private static Slot slot(List<RequirementAnswer> answers) {
        Slot slot = new Slot(new SlotKey(new java.util.UUID(0, 1), "list", "r"));
        slot.take(answers, TODAY.minusDays(3), 0);
        return slot;
    }

    @Test
    void whatIsWrittenIsReadAgain() {
        Step.Ahead ahead = Step.Ahead.of(course());
        assertThat(ahead.steps())
                .extracting(Step::status)
                .containsExactly(Status.EXPIRING, Status.IN_GRACE, Status.LAPSED);
        assertThat(ahead.moreFollow()).isFalse();
        assertThat(Step.Ahead.read(ahead.write())).isEqualTo(ahead);
        assertThat(Step.Ahead.read("")).isEqualTo(new Step.Ahead(List.of(), false));
    }

    @Test
    void aLongCourseIsCutAndSaysSo() {
        List<RequirementAnswer> many = new ArrayList<>();
        for (int i = 0; i <= Step.MOST_KEPT; i++) {
            many.add(answer(
                    i % 2 == 0 ? Status.MISSING : Status.ON_FILE,
                    null,
                    TODAY.plusDays(i + 1),
                    i % 2 == 0 ? Status.ON_FILE : Status.MISSING));
        }
        Step.Ahead ahead = Step.Ahead.of(many);
        assertThat(ahead.steps()).hasSize(Step.MOST_KEPT);
        assertThat(ahead.moreFollow()).isTrue();
        assertThat(Step.Ahead.read(ahead.write())).isEqualTo(ahead);
        Slot slot = slot(many);
        assertThat(slot.advanceTo(TODAY.plusDays(3))).isTrue();
        assertThat(slot.advanceTo(TODAY.plusDays(100)))
                .as("the kept steps do not reach that far")
                .isFalse();
    }

    @Test
    void aSlotTakesTheStepsWhoseDayHasCome() {
        Slot slot = slot(course());
        assertThat(slot.advanceTo(TODAY.plusDays(9))).isTrue();
        assertThat(slot.status()).isEqualTo(Status.ON_FILE);
        assertThat(slot.advanceTo(TODAY.plusDays(10))).isTrue();
        assertThat(slot.status()).isEqualTo(Status.EXPIRING);
        assertThat(slot.advanceTo(TODAY.plusDays(400)))
                .as("two steps at once after a long rest")
                .isTrue();
        assertThat(slot.status()).isEqualTo(Status.LAPSED);
    }

    @Test
    void aStandingKeepsCountWhileSlotsChange() {
        FileStandingRow row = new FileStandingRow(new java.util.UUID(0, 1));
        row.take(List.of(slot(course())), new app.denfold.core.rules.ClearThrough.Through(TODAY.plusDays(24)), 7);
        assertThat(row.change(true, Status.ON_FILE, Status.EXPIRING)).isTrue();
        assertThat(row.change(true, Status.EXPIRING, Status.LAPSED)).isTrue();
        assertThat(row.change(true, Status.LAPSED, Status.ON_FILE))
                .as("it became clear: until when must be computed")
                .isFalse();
    }
}
