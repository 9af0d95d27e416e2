package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.days.DaySet;
import app.denfold.core.rules.Validity.Anchor;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.Period;
import org.junit.jupiter.api.Test;

class ValidityTest {

    private static final LocalDate BORN = LocalDate.of(2008, 2, 29);

    private static LocalDate day(String iso) {
        return LocalDate.parse(iso);
    }

    private static Document dated(String iso) {
        return Document.dated("d", "t", day(iso), day(iso).plusDays(10));
    }

    private static Validity period(Anchor anchor, String period, boolean toEndOfMonth) {
        return new Validity.ForPeriod(anchor, Period.parse(period), toEndOfMonth);
    }

    @Test
    void openIgnoresAStatedExpiry() {
        assertThat(new Validity.Open().lastValidDay(dated("2026-01-31").expiring(day("2026-02-01")), BORN))
                .isEmpty();
        assertThat(new Validity.Open().endEdge(dated("2026-01-31"), BORN)).isEqualTo(DaySet.NEVER_ENDS);
    }

    @Test
    void statedHoldsThroughItsDayOrForGood() {
        Validity stated = new Validity.Stated();
        assertThat(stated.lastValidDay(dated("2026-01-31").expiring(day("2026-02-01")), BORN))
                .contains(day("2026-02-01"));
        assertThat(stated.lastValidDay(dated("2026-01-31"), BORN)).isEmpty();
    }

    @Test
    void aMonthFromTheThirtyFirstIsTheLastOfFebruary() {
        Validity month = period(Anchor.DOCUMENT_DATE, "P1M", false);
        assertThat(month.lastValidDay(dated("2026-01-31"), BORN)).contains(day("2026-02-28"));
        assertThat(month.lastValidDay(dated("2028-01-31"), BORN)).contains(day("2028-02-29"));
    }

    @Test
    void roundingGoesToTheEndOfTheMonthReached() {
        assertThat(period(Anchor.DOCUMENT_DATE, "P2Y", true).lastValidDay(dated("2026-02-01"), BORN))
                .contains(day("2028-02-29"));
    }

    @Test
    void periodsCountFromTheirAnchor() {
        Document document = dated("2026-03-01").effective(day("2026-04-01"));
        assertThat(period(Anchor.DOCUMENT_DATE, "P10D", false).lastValidDay(document, BORN))
                .contains(day("2026-03-11"));
        assertThat(period(Anchor.EFFECTIVE_DATE, "P10D", false).lastValidDay(document, BORN))
                .contains(day("2026-04-11"));
        assertThat(period(Anchor.RECEIVED_DATE, "P10D", false).lastValidDay(document, BORN))
                .contains(day("2026-03-21"));
        assertThat(period(Anchor.EFFECTIVE_DATE, "P10D", false).lastValidDay(dated("2026-03-01"), BORN))
                .as("without an effective date the document date is the start")
                .contains(day("2026-03-11"));
    }

    @Test
    void anEarlierStatedExpiryWinsALaterOneDoesNot() {
        Validity year = period(Anchor.DOCUMENT_DATE, "P1Y", false);
        assertThat(year.lastValidDay(dated("2026-01-01").expiring(day("2026-06-30")), BORN))
                .contains(day("2026-06-30"));
        assertThat(year.lastValidDay(dated("2026-01-01").expiring(day("2028-06-30")), BORN))
                .contains(day("2027-01-01"));
    }

    @Test
    void theSeasonEndsOnTheFirstSuchDayOnOrAfterTheStart() {
        Validity season = new Validity.SeasonEnd(MonthDay.of(8, 31));
        assertThat(season.lastValidDay(dated("2026-08-31"), BORN)).contains(day("2026-08-31"));
        assertThat(season.lastValidDay(dated("2026-09-01"), BORN)).contains(day("2027-08-31"));
        assertThat(season.lastValidDay(dated("2026-08-01").effective(day("2026-09-15")), BORN))
                .contains(day("2027-08-31"));
        assertThat(season.lastValidDay(dated("2026-03-02").expiring(day("2026-04-01")), BORN))
                .contains(day("2026-04-01"));
        Validity leapDay = new Validity.SeasonEnd(MonthDay.of(2, 29));
        assertThat(leapDay.lastValidDay(dated("2026-02-28"), BORN)).contains(day("2026-02-28"));
        assertThat(leapDay.lastValidDay(dated("2027-03-01"), BORN)).contains(day("2028-02-29"));
    }

    @Test
    void untilAnAgeIsTheDayBeforeTheBirthday() {
        Validity until = new Validity.UntilAge(18);
        assertThat(until.lastValidDay(dated("2026-01-01"), BORN))
                .as("born on 29 February, the 18th birthday is 28 February 2026")
                .contains(day("2026-02-27"));
        assertThat(until.lastValidDay(dated("2026-01-01").expiring(day("2026-01-02")), BORN))
                .contains(day("2026-02-27"));
        assertThat(until.lastValidDay(dated("2026-01-01"), null)).isEmpty();
    }

    @Test
    void periodsOfNothingBackwardsOrForAges() {
        for (String period : new String[] {"P0D", "P-1Y", "P1Y-1D", "P401Y"}) {
            assertThatThrownBy(() -> period(Anchor.DOCUMENT_DATE, period, false))
                    .as(period)
                    .isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> new Validity.UntilAge(0)).hasMessageContaining("at least 1");
    }
}
