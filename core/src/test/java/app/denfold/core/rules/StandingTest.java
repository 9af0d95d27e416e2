package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Evidence.Leaf;
import app.denfold.core.rules.RequirementAnswer.Change;
import app.denfold.core.rules.SlotCourse.Stretch;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Due days, waivers, re-hires and the standing of a whole file. */
class StandingTest {

    private static final LocalDate START = LocalDate.of(2026, 2, 1);
    private static final Requirement PLAIN = Requirement.of("r", Evidence.ofType("paper"));

    private static RuleBook book(Requirement... requirements) {
        return RuleBook.of(
                List.of(
                        new DocumentType("paper", new Validity.Stated()),
                        new DocumentType("other", new Validity.Open())),
                List.of(new Checklist("list", Window.always(), Condition.always(), List.of(requirements))));
    }

    private static Person person(
            List<Window> active, List<Person.Fact> facts, List<Person.Waiver> waivers, Document... papers) {
        return new Person("client", null, active, facts, waivers, List.of(papers));
    }

    private static KnownFile file(Requirement requirement, Document... papers) {
        return KnownFile.of(
                book(requirement),
                person(List.of(Window.from(START)), List.of(), List.of(), papers),
                START.plusYears(1));
    }

    private static RequirementAnswer on(KnownFile file, LocalDate day) {
        return file.on(day).requirements().get(0);
    }

    private static Document paper(LocalDate dated, LocalDate expires) {
        return Document.dated("d" + dated, "paper", dated, dated).expiring(expires);
    }

    @Test
    void withoutDueRuleItIsMissingFromTheFirstDay() {
        assertThat(on(file(PLAIN), START).status()).isEqualTo(Status.MISSING);
        assertThat(on(file(PLAIN), START.minusDays(1)).status()).isEqualTo(Status.NOT_APPLICABLE);
        assertThat(on(file(PLAIN), START.minusDays(1)).nextChange()).isEqualTo(new Change(START, Status.MISSING));
    }

    @Test
    void theDueDayItselfIsNotYetLate() {
        KnownFile file = file(PLAIN.due(new Due.FromStart(10)));
        assertThat(on(file, START.plusDays(10)).status()).isEqualTo(Status.NOT_YET_DUE);
        assertThat(on(file, START.plusDays(11)).status()).isEqualTo(Status.MISSING);
        assertThat(on(file, START).nextChange()).isEqualTo(new Change(START.plusDays(11), Status.MISSING));
    }

    @Test
    void aDueDayCountsFromWhenItBeganToApply() {
        Requirement whenGroom =
                PLAIN.when(new Condition.Is("role", FactValue.text("groom"))).due(new Due.FromApplies(5));
        List<Person.Fact> facts =
                List.of(new Person.Fact("role", FactValue.text("groom"), Window.from(START.plusDays(30))));
        KnownFile file = KnownFile.of(book(whenGroom), person(List.of(Window.from(START)), facts, List.of()), START);
        assertThat(on(file, START.plusDays(35)).due()).isEqualTo(START.plusDays(35));
        assertThat(on(file, START.plusDays(36)).status()).isEqualTo(Status.MISSING);
    }

    @Test
    void aDueDayCountsFromTheDateAFactHolds() {
        Requirement beforeVisit = PLAIN.due(new Due.FromFact("visit", -3));
        LocalDate visit = START.plusDays(20);
        List<Person.Fact> facts = List.of(new Person.Fact("visit", FactValue.text(visit.toString()), Window.always()));
        KnownFile file = KnownFile.of(book(beforeVisit), person(List.of(Window.from(START)), facts, List.of()), START);
        assertThat(on(file, START).due()).isEqualTo(visit.minusDays(3));
        List<Person.Fact> noDate = List.of(new Person.Fact("visit", FactValue.text("soon"), Window.always()));
        KnownFile vague =
                KnownFile.of(book(beforeVisit), person(List.of(Window.from(START)), noDate, List.of()), START);
        assertThat(on(vague, START).status()).isEqualTo(Status.MISSING);
        assertThat(on(vague, START).due()).isNull();
    }

    @Test
    void leadAndGraceBeginAndEndOnTheirDays() {
        LocalDate end = START.plusDays(100);
        KnownFile file = file(PLAIN.lead(10).grace(5), paper(START, end));
        assertThat(on(file, end.minusDays(11)).status()).isEqualTo(Status.ON_FILE);
        assertThat(on(file, end.minusDays(10)).status()).isEqualTo(Status.EXPIRING);
        assertThat(on(file, end).status()).isEqualTo(Status.EXPIRING);
        assertThat(on(file, end.plusDays(1)).status()).isEqualTo(Status.IN_GRACE);
        assertThat(on(file, end.plusDays(5)).status()).isEqualTo(Status.IN_GRACE);
        assertThat(on(file, end.plusDays(6)).status()).isEqualTo(Status.LAPSED);
        assertThat(on(file, end.plusDays(6)).coveredThrough()).isEqualTo(end);
    }

    @Test
    void touchingPapersCoverOneRun() {
        LocalDate middle = START.plusDays(50);
        KnownFile file = file(PLAIN.lead(10), paper(START, middle), paper(middle.plusDays(1), middle.plusDays(60)));
        assertThat(on(file, middle).status()).isEqualTo(Status.ON_FILE);
        assertThat(on(file, middle).coveredThrough()).isEqualTo(middle.plusDays(60));
    }

    @Test
    void aWaiverGoesBeforeEverythingButNotBeforeItWasRecorded() {
        Person.Waiver waiver =
                new Person.Waiver("list", "r", Window.closed(START, START.plusDays(30)), START.plusDays(10));
        Person person = person(List.of(Window.from(START)), List.of(), List.of(waiver));
        LocalDate day = START.plusDays(5);
        assertThat(on(KnownFile.of(book(PLAIN), person, day), day).status()).isEqualTo(Status.MISSING);
        assertThat(on(KnownFile.of(book(PLAIN), person, START.plusDays(10)), day)
                        .status())
                .isEqualTo(Status.WAIVED);
        assertThat(on(KnownFile.of(book(PLAIN), person, START.plusDays(10)), START.plusDays(31))
                        .status())
                .isEqualTo(Status.MISSING);
    }

    @Test
    void aReHireStartsAfresh() {
        Requirement fresh = Requirement.of("r", new Evidence.OfType(new Leaf("other", null, -10), 1));
        Document old = Document.dated("d", "other", START, START);
        List<Window> spans = List.of(Window.closed(START, START.plusDays(99)), Window.from(START.plusDays(200)));
        KnownFile file = KnownFile.of(book(fresh), person(spans, List.of(), List.of(), old), START.plusDays(300));
        assertThat(on(file, START.plusDays(50)).status()).isEqualTo(Status.ON_FILE);
        assertThat(on(file, START.plusDays(150)).status()).isEqualTo(Status.NOT_APPLICABLE);
        assertThat(on(file, START.plusDays(250)).status()).isEqualTo(Status.MISSING);
    }

    @Test
    void acceptedOnTheSameDayWins() {
        Document both =
                Document.dated("d", "other", START, START).accepted(START).sentBack(START);
        KnownFile file = file(Requirement.of("r", Evidence.ofType("other")).reviewed(), both);
        assertThat(on(file, START).status()).isEqualTo(Status.ON_FILE);
        Document later =
                Document.dated("d", "other", START, START).accepted(START).sentBack(START.plusDays(1));
        assertThat(on(file(Requirement.of("r", Evidence.ofType("other")), later), START)
                        .status())
                .isEqualTo(Status.SENT_BACK);
    }

    @Test
    void aFileIsClearUntilItsFirstBlockingSlotOpens() {
        LocalDate end = START.plusDays(100);
        Person person = person(
                List.of(Window.from(START)),
                List.of(),
                List.of(),
                paper(START, end),
                Document.dated("o", "other", START, START));
        RuleBook book = book(
                PLAIN.grace(3),
                Requirement.of("o", Evidence.ofType("other")),
                Requirement.of("advised", Evidence.ofType("paper")).advisory());
        assertThatThrownBy(() -> book(PLAIN).type("unknown")).hasMessageContaining("unknown");
        FileStanding standing = KnownFile.of(book, person, end).on(START);
        assertThat(standing.clearThrough()).isEqualTo(new ClearThrough.Through(end.plusDays(3)));
        assertThat(standing.blocking()).isEqualTo(new FileStanding.Tally(2, 2));
        assertThat(standing.advisory()).isEqualTo(new FileStanding.Tally(1, 1));
        assertThat(KnownFile.of(book, person, end).on(end.plusDays(4)).isClear())
                .isFalse();
    }

    @Test
    void stretchesFollowOneAnotherWithoutGap() {
        LocalDate end = START.plusDays(100);
        List<Stretch> stretches = file(PLAIN.lead(10).grace(5), paper(START.plusDays(10), end))
                .slots()
                .get(0)
                .stretches(START, end.plusDays(20));
        assertThat(stretches)
                .extracting(Stretch::status)
                .containsExactly(Status.MISSING, Status.ON_FILE, Status.EXPIRING, Status.IN_GRACE, Status.LAPSED);
        for (int i = 1; i < stretches.size(); i++) {
            assertThat(stretches.get(i).window().firstDay().orElseThrow())
                    .isEqualTo(stretches
                            .get(i - 1)
                            .window()
                            .lastDay()
                            .orElseThrow()
                            .plusDays(1));
        }
    }

    @Test
    void supposingAPaperAcceptedChangesNothingElse() {
        Requirement reviewed = Requirement.of("r", Evidence.ofType("other")).reviewed();
        KnownFile file = file(reviewed, Document.dated("d", "other", START, START));
        assertThat(on(file, START).status()).isEqualTo(Status.IN_REVIEW);
        assertThat(on(file.supposingAccepted("d", START), START).status()).isEqualTo(Status.ON_FILE);
        assertThat(on(file.supposingAccepted("another", START), START).status()).isEqualTo(Status.IN_REVIEW);
    }

    @Test
    void badRulesAreRefusedWhereTheyAreMade() {
        assertThatThrownBy(() -> new Evidence.AnyOf(List.of())).hasMessageContaining("empty");
        assertThatThrownBy(() -> new Evidence.OfType(Leaf.of("t"), 0)).hasMessageContaining("from 1");
        assertThatThrownBy(() -> PLAIN.lead(-1)).hasMessageContaining("Lead days");
        assertThatThrownBy(() -> book(Requirement.of("r", Evidence.ofType("oath"))))
                .hasMessageContaining("oath");
        assertThatThrownBy(() -> RuleBook.of(
                        List.of(new DocumentType("t", new Validity.Open()), new DocumentType("t", new Validity.Open())),
                        List.of()))
                .hasMessageContaining("Two document types");
        List<Window> overlapping = List.of(Window.from(START), Window.closed(START.minusDays(5), START));
        assertThatThrownBy(() -> person(overlapping, List.of(), List.of())).hasMessageContaining("overlap");
    }
}
