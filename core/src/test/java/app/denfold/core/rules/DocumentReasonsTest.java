package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Evidence.Leaf;
import java.time.LocalDate;
import java.time.Period;
import java.util.List;
import org.junit.jupiter.api.Test;

class DocumentReasonsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

    private static DocumentReason.Why why(Requirement requirement, Document document) {
        RuleBook book = RuleBook.of(
                List.of(new DocumentType("t", new Validity.Stated())),
                List.of(new Checklist("l", Window.always(), Condition.always(), List.of(requirement))));
        Person person = new Person(
                "client", null, List.of(Window.from(TODAY.minusDays(100))), List.of(), List.of(), List.of(document));
        return KnownFile.of(book, person, TODAY)
                .slots()
                .get(0)
                .reasonsOn(TODAY)
                .get(0)
                .why();
    }

    private static final Document DATED = Document.dated("d", "t", TODAY.minusDays(30), TODAY.minusDays(20));
    private static final Requirement PLAIN = Requirement.of("r", Evidence.ofType("t"));

    @Test
    void eachCaseNamesItsOwnReason() {
        assertThat(why(PLAIN, DATED)).isEqualTo(new DocumentReason.Counts(Window.from(TODAY.minusDays(30))));
        assertThat(why(PLAIN, Document.dated("d", "t", TODAY, TODAY.plusDays(1))))
                .isEqualTo(new DocumentReason.NotYetReceived(TODAY.plusDays(1)));
        assertThat(why(PLAIN, DATED.enteredInError(TODAY))).isEqualTo(new DocumentReason.EnteredInError(TODAY));
        assertThat(why(PLAIN.reviewed(), DATED)).isEqualTo(new DocumentReason.PendingReview());
        assertThat(why(PLAIN, DATED.sentBack(TODAY))).isEqualTo(new DocumentReason.SentBack(TODAY));
        assertThat(why(PLAIN.signedBy("a", "b"), DATED.signed(new Document.Signature("a", TODAY))))
                .isEqualTo(new DocumentReason.UnsignedBy(List.of("b")));
        assertThat(why(PLAIN, DATED.effective(TODAY.plusDays(3))))
                .isEqualTo(new DocumentReason.NotYetValid(TODAY.plusDays(3)));
        assertThat(why(PLAIN, DATED.expiring(TODAY.minusDays(1))))
                .isEqualTo(new DocumentReason.Expired(TODAY.minusDays(1)));
        assertThat(why(PLAIN, DATED.expiring(TODAY.minusDays(40)))).isEqualTo(new DocumentReason.NeverValid());
    }

    @Test
    void freshnessAndTheStartHaveReasonsOfTheirOwn() {
        Requirement fresh = Requirement.of("r", new Evidence.OfType(new Leaf("t", Period.ofDays(10), null), 1));
        assertThat(why(fresh, DATED)).isEqualTo(new DocumentReason.TooOld(TODAY.minusDays(20)));
        Requirement sinceStart = Requirement.of("r", new Evidence.OfType(new Leaf("t", null, 90), 1));
        assertThat(why(sinceStart, DATED)).isEqualTo(new DocumentReason.DatedBefore(TODAY.minusDays(10)));
    }

    @Test
    void aPaperOfTwoTypesCountsAsEachAndIsNamedOnce() {
        RuleBook book = RuleBook.of(
                List.of(
                        new DocumentType("t", new Validity.Stated()),
                        new DocumentType(
                                "u", new Validity.ForPeriod(Validity.Anchor.DOCUMENT_DATE, Period.ofDays(7), false)),
                        new DocumentType("v", new Validity.Open())),
                List.of(new Checklist(
                        "l",
                        Window.always(),
                        Condition.always(),
                        List.of(
                                Requirement.of("plain", Evidence.ofType("t")),
                                Requirement.of(
                                        "either",
                                        new Evidence.AnyOf(List.of(Evidence.ofType("u"), Evidence.ofType("t")))),
                                Requirement.of("other", Evidence.ofType("v"))))));
        Person person = new Person(
                "client",
                null,
                List.of(Window.from(TODAY.minusDays(100))),
                List.of(),
                List.of(),
                List.of(DATED.as("u"), DATED, DATED.as("v")));
        KnownFile file = KnownFile.of(book, person, TODAY);
        for (SlotCourse slot : file.slots()) {
            assertThat(slot.statusOn(TODAY)).as(slot.code()).isEqualTo(Status.ON_FILE);
            assertThat(slot.on(TODAY).counted()).as(slot.code()).containsExactly("d");
            assertThat(slot.reasonsOn(TODAY)).as(slot.code()).singleElement().satisfies(r -> assertThat(r.why())
                    .isInstanceOf(DocumentReason.Counts.class));
        }
    }
}
