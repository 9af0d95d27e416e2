package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Evidence.Leaf;
import app.denfold.core.rules.Evidence.Points;
import app.denfold.core.rules.RequirementAnswer.Change;
import app.denfold.core.rules.Validity.Anchor;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.Period;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The twelve worked examples of the rules, number by number. */
class WorkedExamplesTest {

    private static final List<DocumentType> TYPES = List.of(
            new DocumentType("first-aid", new Validity.ForPeriod(Anchor.DOCUMENT_DATE, Period.ofYears(2), true)),
            new DocumentType("season-waiver", new Validity.SeasonEnd(MonthDay.of(8, 31))),
            new DocumentType("guardian", new Validity.UntilAge(18)),
            new DocumentType("stated", new Validity.Stated()),
            new DocumentType("licence", new Validity.Stated()),
            new DocumentType("bill", new Validity.Open()),
            new DocumentType("open", new Validity.Open()));

    private static final Requirement FIRST_AID = Requirement.of("first-aid", Evidence.ofType("first-aid"))
            .reviewed()
            .lead(45)
            .grace(7);

    private static final Document OLD_CERTIFICATE = Document.dated(
                    "d1", "first-aid", day("2024-11-05"), day("2026-02-03"))
            .accepted(day("2026-02-04"));
    private static final Document NEW_CERTIFICATE =
            Document.dated("d2", "first-aid", day("2026-11-20"), day("2026-11-21"));

    private static LocalDate day(String iso) {
        return LocalDate.parse(iso);
    }

    private static RequirementAnswer ask(Requirement requirement, String on, String known, Document... documents) {
        Person person = new Person(
                "employee",
                day("2010-02-28"),
                List.of(Window.from(day("2026-02-01"))),
                List.of(),
                List.of(),
                List.of(documents));
        RuleBook book = RuleBook.of(
                TYPES, List.of(new Checklist("staff", Window.always(), Condition.always(), List.of(requirement))));
        return KnownFile.of(book, person, day(known)).on(day(on)).requirements().get(0);
    }

    private static RequirementAnswer ask(Requirement requirement, String on, Document... documents) {
        return ask(requirement, on, on, documents);
    }

    @Test
    void example1OnFileUntilTheLeadBegins() {
        RequirementAnswer answer = ask(FIRST_AID, "2026-10-15", OLD_CERTIFICATE);
        assertThat(answer.status()).isEqualTo(Status.ON_FILE);
        assertThat(answer.coveredThrough()).isEqualTo("2026-11-30");
        assertThat(answer.nextChange()).isEqualTo(new Change(day("2026-10-16"), Status.EXPIRING));
    }

    @Test
    void example2InGraceThenLapsed() {
        RequirementAnswer answer = ask(FIRST_AID, "2026-12-07", OLD_CERTIFICATE);
        assertThat(answer.status()).isEqualTo(Status.IN_GRACE);
        assertThat(answer.nextChange()).isEqualTo(new Change(day("2026-12-08"), Status.LAPSED));
    }

    @Test
    void example3ANewerOneWaitsForReview() {
        RequirementAnswer answer = ask(FIRST_AID, "2026-11-25", OLD_CERTIFICATE, NEW_CERTIFICATE);
        assertThat(answer.status()).isEqualTo(Status.EXPIRING);
        assertThat(answer.renewal()).isEqualTo(Renewal.IN_REVIEW);
    }

    @Test
    void example4TheNewerOneAccepted() {
        RequirementAnswer answer =
                ask(FIRST_AID, "2026-11-25", OLD_CERTIFICATE, NEW_CERTIFICATE.accepted(day("2026-11-24")));
        assertThat(answer.status()).isEqualTo(Status.ON_FILE);
        assertThat(answer.coveredThrough()).isEqualTo("2028-11-30");
    }

    @Test
    void example5KnowledgeChangesThePast() {
        Document accepted = NEW_CERTIFICATE.accepted(day("2026-11-24"));
        RequirementAnswer then = ask(FIRST_AID, "2026-11-22", "2026-11-22", OLD_CERTIFICATE, accepted);
        assertThat(then.status()).isEqualTo(Status.EXPIRING);
        assertThat(then.renewal()).isEqualTo(Renewal.IN_REVIEW);
        RequirementAnswer now = ask(FIRST_AID, "2026-11-22", "2026-11-25", OLD_CERTIFICATE, accepted);
        assertThat(now.status()).isEqualTo(Status.ON_FILE);
    }

    @Test
    void example6TheWindowStartsWithTheLaterSignature() {
        Requirement contract =
                Requirement.of("contract", Evidence.ofType("open")).signedBy("employee", "manager");
        Document signed = Document.dated("d", "open", day("2026-02-01"), day("2026-02-01"))
                .signed(
                        new Document.Signature("employee", day("2026-02-11")),
                        new Document.Signature("manager", day("2026-02-14")));
        RequirementAnswer later = ask(contract, "2026-02-13", "2026-03-01", signed);
        assertThat(later.status()).isEqualTo(Status.MISSING);
        assertThat(later.nextChange()).isEqualTo(new Change(day("2026-02-14"), Status.ON_FILE));
        assertThat(ask(contract, "2026-02-13", signed).status()).isEqualTo(Status.AWAITING_SIGNATURE);
    }

    @Test
    void example7TheSeasonEnds() {
        Requirement waiver =
                Requirement.of("w", Evidence.ofType("season-waiver")).lead(30);
        Document form = Document.dated("d", "season-waiver", day("2026-03-02"), day("2026-03-02"));
        assertThat(ask(waiver, "2026-08-31", form).status()).isEqualTo(Status.EXPIRING);
        assertThat(ask(waiver, "2026-09-01", form).status()).isEqualTo(Status.LAPSED);
    }

    @Test
    void example8GuardianConsentUntilEighteen() {
        Requirement consent = Requirement.of("c", Evidence.ofType("guardian")).when(new Condition.AgeUnder(18));
        Document form = Document.dated("d", "guardian", day("2026-03-02"), day("2026-03-02"));
        RequirementAnswer last = ask(consent, "2028-02-27", form);
        assertThat(last.status()).isIn(Status.ON_FILE, Status.EXPIRING);
        assertThat(last.coveredThrough()).isEqualTo("2028-02-27");
        assertThat(ask(consent, "2028-02-28", form).status()).isEqualTo(Status.NOT_APPLICABLE);
    }

    @Test
    void example9AHundredPoints() {
        Requirement identity = Requirement.of(
                "identity",
                new Points(
                        100,
                        List.of(
                                new Points.Entry(Leaf.of("stated"), 70, 1),
                                new Points.Entry(Leaf.of("licence"), 40, null),
                                new Points.Entry(Leaf.of("bill"), 25, 2))));
        Document passport = Document.dated("p", "stated", day("2020-01-01"), day("2026-02-01"))
                .expiring(day("2026-06-30"));
        Document licence = Document.dated("l", "licence", day("2020-01-01"), day("2026-02-01"))
                .expiring(day("2027-01-31"));
        Document bill = Document.dated("b1", "bill", day("2026-01-05"), day("2026-02-01"));
        Document other = Document.dated("b2", "bill", day("2026-01-06"), day("2026-02-01"));
        RequirementAnswer answer = ask(identity, "2026-06-30", passport, licence);
        assertThat(answer.status().isMet()).isTrue();
        assertThat(answer.coveredThrough()).isEqualTo("2026-06-30");
        assertThat(ask(identity, "2026-07-01", passport, licence).status()).isEqualTo(Status.LAPSED);
        assertThat(ask(identity, "2026-07-01", passport, licence, bill, other).status())
                .isEqualTo(Status.LAPSED);
    }

    @Test
    void example10TwoReferences() {
        Requirement references =
                Requirement.of("r", new Evidence.OfType(Leaf.of("open"), 2)).due(new Due.FromStart(28));
        Document one = Document.dated("r1", "open", day("2026-02-10"), day("2026-02-10"));
        Document two = Document.dated("r2", "open", day("2026-02-20"), day("2026-02-20"));
        RequirementAnswer answer = ask(references, "2026-02-15", one, two);
        assertThat(answer.status()).isEqualTo(Status.NOT_YET_DUE);
        assertThat(answer.due()).isEqualTo("2026-03-01");
    }

    @Test
    void example11ACheckTooOldAtTheStart() {
        Requirement check = Requirement.of("b", new Evidence.OfType(new Leaf("open", null, -92), 1));
        Document dated = Document.dated("d", "open", day("2025-10-31"), day("2026-02-01"));
        assertThat(ask(check, "2026-02-10", dated).status()).isEqualTo(Status.MISSING);
        Document aDayLater = Document.dated("d", "open", day("2025-11-01"), day("2026-02-01"));
        assertThat(ask(check, "2026-02-10", aDayLater).status()).isEqualTo(Status.ON_FILE);
    }

    @Test
    void example12EnteredInError() {
        Requirement any = Requirement.of("a", Evidence.ofType("open"));
        Document inError = Document.dated("d", "open", day("2026-02-02"), day("2026-02-02"))
                .enteredInError(day("2026-05-01"));
        assertThat(ask(any, "2026-04-20", "2026-04-20", inError).status()).isEqualTo(Status.ON_FILE);
        assertThat(ask(any, "2026-04-20", "2026-05-02", inError).status()).isEqualTo(Status.MISSING);
    }
}
