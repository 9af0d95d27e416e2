package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Checklists of one code follow each other as versions; on each day the one in force decides. */
class VersionsTest {

    private static final LocalDate START = LocalDate.of(2026, 1, 1);
    private static final LocalDate CHANGE = LocalDate.of(2026, 6, 1);
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final DocumentType TYPE = new DocumentType("t", new Validity.Stated());
    private static final DocumentType OTHER = new DocumentType("u", new Validity.Stated());

    private static Checklist version(LocalDate from, LocalDate to, Requirement... requirements) {
        return new Checklist("list", new Window(from, to), Condition.always(), List.of(requirements));
    }

    private static KnownFile file(List<Checklist> lists, Document... papers) {
        Person person =
                new Person("employee", null, List.of(Window.from(START)), List.of(), List.of(), List.of(papers));
        return KnownFile.of(RuleBook.of(List.of(TYPE, OTHER), lists), person, TODAY);
    }

    private static Requirement asks(String code, String type) {
        return Requirement.of(code, Evidence.ofType(type));
    }

    @Test
    void eachDayIsJudgedByTheVersionInForce() {
        KnownFile file = file(
                List.of(version(null, CHANGE.minusDays(1), asks("r", "t")), version(CHANGE, null, asks("r", "u"))),
                Document.dated("d", "t", START, START));
        SlotCourse slot = file.slots().get(0);

        assertThat(file.slots()).hasSize(1);
        assertThat(slot.statusOn(CHANGE.minusDays(1))).isEqualTo(Status.ON_FILE);
        assertThat(slot.statusOn(CHANGE)).isEqualTo(Status.MISSING);
        assertThat(slot.on(START).nextChange()).isEqualTo(new RequirementAnswer.Change(CHANGE, Status.MISSING));
        assertThat(slot.since(TODAY)).contains(CHANGE);
        assertThat(slot.stretches(START, TODAY))
                .extracting(SlotCourse.Stretch::status)
                .containsExactly(Status.ON_FILE, Status.MISSING);
        assertThat(file.clearThrough(START)).isEqualTo(new ClearThrough.Through(CHANGE.minusDays(1)));
    }

    @Test
    void aRequirementThatALaterVersionDropsIsNotApplicableFromThenOn() {
        SlotCourse slot = file(List.of(
                        version(null, CHANGE.minusDays(1), asks("r", "t"), asks("old", "t")),
                        version(CHANGE, null, asks("r", "t"))))
                .slots()
                .get(1);

        assertThat(slot.code()).isEqualTo("old");
        assertThat(slot.statusOn(CHANGE.minusDays(1))).isEqualTo(Status.MISSING);
        assertThat(slot.statusOn(CHANGE)).isEqualTo(Status.NOT_APPLICABLE);
    }

    @Test
    void anUnchangedRequirementKeepsItsDueDayThroughANewVersion() {
        Requirement kept = asks("r", "t").due(new Due.FromApplies(30));
        KnownFile file =
                file(List.of(version(null, CHANGE.minusDays(1), kept), version(CHANGE, null, kept, asks("new", "u"))));

        assertThat(file.slots().get(0).on(TODAY).due()).isEqualTo(START.plusDays(30));
        assertThat(file.slots().get(0).statusOn(TODAY)).isEqualTo(Status.MISSING);
    }

    @Test
    void aChangedRequirementCountsItsDueDayFromItsOwnVersion() {
        KnownFile file = file(List.of(
                version(null, CHANGE.minusDays(1), asks("r", "t").due(new Due.FromApplies(30))),
                version(CHANGE, null, asks("r", "u").due(new Due.FromApplies(300)))));

        assertThat(file.slots().get(0).statusOn(TODAY)).isEqualTo(Status.NOT_YET_DUE);
    }

    @Test
    void aGapBetweenVersionsAsksForNothing() {
        SlotCourse slot = file(List.of(
                        version(null, CHANGE.minusDays(11), asks("r", "t")), version(CHANGE, null, asks("r", "t"))))
                .slots()
                .get(0);

        assertThat(slot.statusOn(CHANGE.minusDays(1))).isEqualTo(Status.NOT_APPLICABLE);
        assertThat(slot.from(CHANGE.minusDays(20), 9))
                .extracting(RequirementAnswer::status)
                .containsExactly(Status.MISSING, Status.NOT_APPLICABLE, Status.MISSING);
    }

    @Test
    void versionsInForceOnTheSameDayAreRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() ->
                        file(List.of(version(null, CHANGE, asks("r", "t")), version(CHANGE, null, asks("r", "t")))))
                .withMessageContaining("in force on 2026-06-01");
    }

    @Test
    void theAnswersFromADayOnFollowTheChanges() {
        SlotCourse slot = file(
                        List.of(version(null, null, asks("r", "t").lead(10).grace(5))),
                        Document.dated("d", "t", START, START).expiring(TODAY.plusDays(40)))
                .slots()
                .get(0);

        assertThat(slot.from(TODAY, 9))
                .extracting(RequirementAnswer::status)
                .containsExactly(Status.ON_FILE, Status.EXPIRING, Status.IN_GRACE, Status.LAPSED);
        assertThat(slot.from(TODAY, 2)).hasSize(2);
    }
}
