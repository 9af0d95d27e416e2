package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.Clues.PageClues;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class ProposePersonTest {

    private static final KnownPerson TAMSIN =
            KnownPerson.of("1", "E-0012", "Tamsin", "Korhola", LocalDate.of(1990, 2, 28));
    private static final KnownPerson EDIE =
            KnownPerson.of("2", "P-0003", "Edie", "Penhallow", LocalDate.of(2014, 3, 9));
    private static final KnownPerson MARA_ONE =
            KnownPerson.of("3", "S-0040", "Mara", "Lindqvist", LocalDate.of(2011, 5, 4));
    private static final KnownPerson MARA_TWO =
            KnownPerson.of("4", "S-0041", "Mara", "Lindqvist", LocalDate.of(2013, 8, 19));
    private static final List<KnownPerson> ALL = List.of(TAMSIN, EDIE, MARA_ONE, MARA_TWO);

    private static List<Proposal<String>> of(String text) {
        return of(new Clues(List.of(PageClues.of(1, text)), null, null));
    }

    private static List<Proposal<String>> of(Clues clues) {
        return ProposePerson.propose(clues, ALL, FoundDates.Order.DAY_FIRST);
    }

    @Test
    void aNumberInACodeIsSureAndNamesItsPage() {
        Clues clues = new Clues(
                List.of(
                        PageClues.of(1, ""),
                        new PageClues(2, "", List.of("denfold:file=E-0012;type=first-aid"), false)),
                null,
                null);
        assertThat(of(clues)).singleElement().satisfies(p -> {
            assertThat(p.value()).isEqualTo("1");
            assertThat(p.preselected()).isTrue();
            assertThat(p.reason()).isEqualTo("number E-0012 in the code on page 2");
        });
    }

    @Test
    void aNumberInTheTextMustStandAlone() {
        assertThat(of("Our sign: E-0012/b")).extracting(Proposal::value).containsExactly("1");
        assertThat(of("Order CE-00125")).isEmpty();
    }

    @Test
    void nameAndBirthDateInAnyOrderAndCaseAreEnough() {
        assertThat(of("PENHALLOW, Edie, born 9.3.2014").get(0)).satisfies(p -> {
            assertThat(p.value()).isEqualTo("2");
            assertThat(p.preselected()).isTrue();
            assertThat(p.confidence()).isGreaterThan(0.98);
            assertThat(p.reason()).isEqualTo("the name in the text; the birth date in the text");
        });
    }

    @Test
    void readingErrorsInTheNameAreForgivenWithABirthDateAndOnlyProposedWithout() {
        assertThat(of("Ludo Penhallow").get(0).preselected()).isFalse();
        assertThat(of("Edie Penha1low, born 9 March 2014").get(0)).satisfies(p -> {
            assertThat(p.value()).isEqualTo("2");
            assertThat(p.preselected()).isTrue();
        });
        assertThat(of("For Tamsin Korho1a").get(0)).satisfies(p -> {
            assertThat(p.value()).isEqualTo("1");
            assertThat(p.preselected()).isFalse();
        });
    }

    @Test
    void twoOfOneNameWithoutASecondSignAreBothShownAndNoneIsPreselected() {
        List<Proposal<String>> both = of("Enrolment of Mara Lindqvist");
        assertThat(both).extracting(Proposal::value).containsExactly("3", "4");
        assertThat(both).noneMatch(Proposal::preselected);
        assertThat(both.get(0).reason()).contains("which somebody else bears as well");
    }

    @Test
    void aSecondSignTellsTwoOfOneNameApart() {
        List<Proposal<String>> told = of("Enrolment of Mara Lindqvist, born 19 August 2013");
        assertThat(told.get(0).value()).isEqualTo("4");
        assertThat(told.get(0).preselected()).isTrue();
    }

    @Test
    void anotherBirthDateSpeaksAgainstAPerson() {
        Proposal<String> like =
                of("Tamsin Korhola, date of birth 1 January 1971").get(0);
        assertThat(like.confidence()).isLessThan(0.5);
        assertThat(like.preselected()).isFalse();
        assertThat(like.reason()).contains("another birth date");
    }

    @Test
    void thePracticesNameIsNoSignButItsNumbersAre() {
        KnownPerson stables = new KnownPerson(
                "s",
                "O-0003",
                "",
                "Lower Stables",
                List.of(),
                null,
                List.of("HK 40711-8"),
                List.of(),
                Subject.PRACTICE);
        assertThat(ProposePerson.propose(
                        clues("Lower Stables, 3 Fen Lane", null), List.of(stables), FoundDates.Order.DAY_FIRST))
                .isEmpty();
        assertThat(ProposePerson.propose(
                        clues("Policy HK 40711-8 for Lower Stables", null),
                        List.of(stables),
                        FoundDates.Order.DAY_FIRST))
                .extracting(Proposal::value)
                .containsExactly("s");
    }

    @Test
    void formerNamesIdentifiersAndSendersCount() {
        KnownPerson jon = new KnownPerson(
                "9",
                "E-0077",
                "Jon",
                "Adair",
                List.of("Östberg"),
                null,
                List.of("1237 010180"),
                List.of("jon@post.example"),
                Subject.PERSON);
        List<KnownPerson> people = List.of(jon, TAMSIN);
        assertThat(ProposePerson.propose(clues("Certificate for Jon Ostberg", null), people, FoundDates.Order.DAY_FIRST)
                        .get(0)
                        .reason())
                .isEqualTo("the name in the text, with the former name Östberg");
        assertThat(ProposePerson.propose(clues("Insured: 1237-010180", null), people, FoundDates.Order.DAY_FIRST))
                .singleElement()
                .satisfies(p -> assertThat(p.reason()).isEqualTo("identifier ending in 180 in the text"));
        assertThat(ProposePerson.propose(clues("see below", "Jon@Post.example"), people, FoundDates.Order.DAY_FIRST))
                .singleElement()
                .satisfies(p -> assertThat(p.preselected()).isFalse());
    }

    private static Clues clues(String text, String sender) {
        return new Clues(List.of(PageClues.of(1, text)), sender, null);
    }

    @Test
    void theFileThatWasOpenIsPreselectedUnlessThePaperNamesAnother() {
        Clues silent = new Clues(List.of(PageClues.of(1, "page without a name")), null, "1");
        assertThat(of(silent).get(0).preselected()).isTrue();
        Clues other = new Clues(List.of(PageClues.of(1, "Edie Penhallow, born 9 March 2014")), null, "1");
        assertThat(of(other))
                .filteredOn(Proposal::preselected)
                .extracting(Proposal::value)
                .containsExactly("2");
        Clues doubtful = new Clues(List.of(PageClues.of(1, "Mara Lindqvist, Tamsin Korhola")), null, "3");
        assertThat(of(doubtful)).noneMatch(Proposal::preselected);
    }

    @Test
    void aPaperThatNamesNobodyProposesNobody() {
        assertThat(of("Delivery of hay, two pages.")).isEmpty();
        assertThat(of("")).isEmpty();
    }
}
