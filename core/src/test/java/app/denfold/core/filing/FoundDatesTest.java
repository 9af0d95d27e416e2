package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.FoundDates.Order;
import app.denfold.core.filing.FoundDates.Role;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FoundDatesTest {

    private static final LocalDate MAY_14 = LocalDate.of(2027, 5, 14);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "14 May 2027",
                "14th May 2027",
                "14th of May, 2027",
                "May 14, 2027",
                "14. Mai 2027",
                "14.05.2027",
                "14.5.27",
                "14/05/2027",
                "05/14/2027",
                "14-05-2027",
                "2027-05-14",
                "l4 May 2O27",
                "14 MAY 2027"
            })
    void theSameDayIsFoundInEveryNotation(String written) {
        assertThat(FoundDates.in("Dated " + written + ", Oakhollin", Order.DAY_FIRST))
                .extracting(FoundDates.Found::day)
                .containsExactly(MAY_14);
    }

    @Test
    void daysThatCannotBeAreLeftOut() {
        assertThat(FoundDates.in("31.02.2026, 45/17/2026, 0/0/2026, call 0664 12 34 56, room 12.4", Order.DAY_FIRST))
                .isEmpty();
    }

    @Test
    void dayAndMonthAreDoubtfulOnlyWhereBothWaysAreDays() {
        FoundDates.Found doubtful = FoundDates.in("03/04/2026", null).get(0);
        assertThat(doubtful.day()).isEqualTo("2026-04-03");
        assertThat(doubtful.doubtful()).isTrue();
        assertThat(FoundDates.in("03/04/2026", Order.DAY_FIRST).get(0).doubtful())
                .as("the practice decides")
                .isFalse();
        assertThat(FoundDates.in("Born 25/12/1990. Dated 03/04/2026", null)
                        .get(1)
                        .doubtful())
                .as("another day of the paper decides")
                .isFalse();
        assertThat(FoundDates.in("03/04/2026", Order.MONTH_FIRST).get(0).day()).isEqualTo("2026-03-04");
        assertThat(FoundDates.in("04/04/2026", Order.DAY_FIRST).get(0).doubtful())
                .isFalse();
        assertThat(FoundDates.in("03.04.2026", Order.MONTH_FIRST).get(0))
                .satisfies(dots -> assertThat(dots.day()).isEqualTo("2026-04-03"))
                .satisfies(dots -> assertThat(dots.doubtful()).isFalse());
    }

    @Test
    void theWordsBeforeADayTellWhatItIs() {
        String paper = """
                First aid certificate
                For Noor Vahdani, born 2 March 1991
                Date of issue:
                5 November 2024
                Valid from 6 November 2024 until 30 November 2026
                """;
        assertThat(FoundDates.in(paper, Order.DAY_FIRST))
                .extracting(FoundDates.Found::role)
                .containsExactly(Role.BIRTH, Role.DOCUMENT, Role.EFFECTIVE, Role.EXPIRY);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Expiry date: 14.05.2026|EXPIRY",
                "Expiration date 14.05.2026|EXPIRY",
                "Date of expiry: 14.05.2026|EXPIRY",
                "End date: 14.05.2026|EXPIRY",
                "Not valid after 14.05.2026|EXPIRY",
                "Ablaufdatum: 14.05.2026|EXPIRY",
                "Birth date: 04.07.2012|BIRTH",
                "Date of birth: 04.07.2012|BIRTH",
                "Geburtsdatum: 04.07.2012|BIRTH",
                "Effective date: 01.02.2026|EFFECTIVE",
                "Start date: 01.02.2026|EFFECTIVE",
                "Due date: 01.02.2026|OTHER",
                "Print date: 01.02.2026|OTHER",
                "Review date: 01.02.2026|OTHER",
                "Date: 01.02.2026|DOCUMENT",
                "Date of issue: 01.02.2026|DOCUMENT",
                "Date signed: 01.02.2026|DOCUMENT"
            })
    void theLongestLabelTellsWhatADayIsAndOnlyItsOwnIsEverDated(String line, FoundDates.Role role) {
        List<FoundDates.Found> found = FoundDates.in(line, FoundDates.Order.DAY_FIRST);
        assertThat(found).extracting(FoundDates.Found::role).containsExactly(role);
        List<Proposal<LocalDate>> dated =
                FoundDates.propose(found, FoundDates.Role.DOCUMENT, LocalDate.of(2026, 11, 25));
        assertThat(dated.isEmpty()).isEqualTo(role != FoundDates.Role.DOCUMENT);
    }

    @Test
    void proposalsNameTheWordsAndNeverDateAPaperAfterItCame() {
        List<FoundDates.Found> found = FoundDates.in(
                "Born 2 March 1991. Next visit 1 December 2026. Issued 20 November 2026.", Order.DAY_FIRST);
        List<Proposal<LocalDate>> dated = FoundDates.propose(found, Role.DOCUMENT, LocalDate.of(2026, 11, 25));
        assertThat(dated.get(0).value()).isEqualTo("2026-11-20");
        assertThat(dated.get(0).preselected()).isTrue();
        assertThat(dated.get(0).reason()).isEqualTo("“Issued 20 November 2026” on the paper");
        assertThat(dated)
                .extracting(Proposal::value)
                .doesNotContain(LocalDate.of(2026, 12, 1), LocalDate.of(1991, 3, 2));
        assertThat(FoundDates.propose(found, Role.EXPIRY, LocalDate.of(2026, 11, 25)))
                .isEmpty();
    }

    @Test
    void aDoubtfulDayIsProposedWithHalfTheConfidenceAndSaysWhy() {
        Proposal<LocalDate> day = FoundDates.propose(
                        FoundDates.in("Dated 03/04/2026", null), Role.DOCUMENT, LocalDate.of(2026, 11, 25))
                .get(0);
        assertThat(day.confidence()).isLessThan(0.5);
        assertThat(day.reason()).contains("other way round");
    }

    @Test
    void randomDaysComeBackFromEveryNotation() {
        Random random = new Random(3);
        List<DateTimeFormatter> notations = List.of(
                DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.UK),
                DateTimeFormatter.ofPattern("MMMM d, uuuu", Locale.US),
                DateTimeFormatter.ofPattern("dd.MM.uuuu"),
                DateTimeFormatter.ofPattern("dd/MM/uuuu"),
                DateTimeFormatter.ISO_LOCAL_DATE);
        for (int i = 0; i < 3_000; i++) {
            LocalDate day = LocalDate.of(1930, 1, 1).plusDays(random.nextInt(40_000));
            DateTimeFormatter notation = notations.get(random.nextInt(notations.size()));
            String written = notation.format(day);
            assertThat(FoundDates.in("x " + written + " y", Order.DAY_FIRST))
                    .as(written)
                    .extracting(FoundDates.Found::day)
                    .containsExactly(day);
        }
    }
}
