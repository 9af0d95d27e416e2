package app.denfold.core.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ReckoningTest {

    private static final Map<String, LetterValue> KNOWN = Map.of(
            "day", LetterValue.day(LocalDate.of(2027, 1, 31)),
            "ask.fee", LetterValue.number("120.50"),
            "ask.deposit", LetterValue.number("300"),
            "fact.first-session", LetterValue.day(LocalDate.of(2026, 2, 28)),
            "person.name", LetterValue.text("Tamsin Korhola"));

    @ParameterizedTest
    @CsvSource({
        "day + 1 month, 2027-02-28",
        "day + 6 months, 2027-07-31",
        "day - 2 weeks + 1 day, 2027-01-18",
        "fact.first-session + 1 year, 2027-02-28",
        "day, 2027-01-31"
    })
    void spansAreAddedToADayClippedToTheMonth(String written, LocalDate day) {
        assertThat(Reckoning.of(written).value(KNOWN)).isEqualTo(LetterValue.day(day));
    }

    @ParameterizedTest
    @CsvSource({
        "ask.fee * 12, 1446.00",
        "ask.fee + ask.deposit, 420.50",
        "ask.deposit - ask.fee * 2, 59.00",
        "2 + 3 * 4, 14",
        "ask.fee * 2 * 0.5, 120.50"
    })
    void amountsAreMultipliedBeforeTheyAreAdded(String written, String number) {
        LetterValue.Number value = (LetterValue.Number) Reckoning.of(written).value(KNOWN);
        assertThat(value.number()).isEqualByComparingTo(number);
    }

    @Test
    void whatIsNotKnownHasNoValueAndItsNamesAreTold() {
        Reckoning reckoning = Reckoning.of("ask.fee * ask.months + ask.fee");
        assertThat(reckoning.value(KNOWN)).isNull();
        assertThat(reckoning.names()).containsExactly("ask.fee", "ask.months");
        assertThat(reckoning.isName()).isFalse();
        assertThat(Reckoning.of("person.name").isName()).isTrue();
        assertThat(Reckoning.of("person.name").value(KNOWN)).isEqualTo(LetterValue.text("Tamsin Korhola"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "  ",
                "day +",
                "+ day",
                "day ++ 1 day",
                "6 months * 2",
                "1e9",
                "a/b",
                "day + 6 moons",
                "{day}"
            })
    void whatCannotBeReadIsRefused(String written) {
        assertThatIllegalArgumentException().isThrownBy(() -> Reckoning.of(written));
    }

    @Test
    void longOnesAreRefused() {
        String longest = "a".repeat(200);
        assertThat(Reckoning.of(longest).names()).containsExactly(longest);
        assertThatIllegalArgumentException().isThrownBy(() -> Reckoning.of(longest + "a"));
    }

    @ParameterizedTest
    @CsvSource({
        "person.name * 2, “Tamsin Korhola” is not a number",
        "day * 2, A day is not a number",
        "ask.fee + day, A day is not a number",
        "day + ask.fee, 'To a day only a span of time can be added, such as 6 months'",
        "ask.fee + 6 months, A span of time can only be added to a day",
        "6 months, A span of time can only be added to a day",
        "999999999999 * 999999999999, The number has more than 15 digits"
    })
    void valuesThatDoNotGoTogetherAreToldInWords(String written, String words) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Reckoning.of(written).value(KNOWN))
                .withMessage(words);
    }

    @Test
    void aDayBeyondAllCalendarsIsNone() {
        Map<String, LetterValue> far = Map.of("day", LetterValue.day(LocalDate.MAX));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Reckoning.of("day + 9999 years").value(far))
                .withMessage("There is no such day");
    }
}
