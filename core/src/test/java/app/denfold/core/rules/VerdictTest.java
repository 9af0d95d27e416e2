package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** How a file stands for somebody who may not see every requirement of it, and what is to come of it week by week. */
class VerdictTest {

    private static final LocalDate START = LocalDate.of(2026, 2, 1);

    private static Requirement needing(String type) {
        return Requirement.of("needs " + type, Evidence.ofType(type));
    }

    private static KnownFile file(List<Requirement> requirements, Document... papers) {
        RuleBook book = RuleBook.of(
                List.of(
                        new DocumentType("card", new Validity.Stated()),
                        new DocumentType("licence", new Validity.Stated())),
                List.of(new Checklist("list", Window.always(), Condition.always(), requirements)));
        Person person =
                new Person("client", null, List.of(Window.from(START)), List.of(), List.of(), Arrays.asList(papers));
        return KnownFile.of(book, person, START);
    }

    private static Document paper(String type, LocalDate expires) {
        return Document.dated("d-" + type, type, START, START).expiring(expires);
    }

    @Test
    void whatIsOpenAndHiddenIsCountedApartAndStillKeepsTheFileFromBeingClear() {
        List<Requirement> both = List.of(needing("card"), needing("licence"));
        FileStanding standing = file(both).on(START);

        Verdict all = Verdict.of(standing, answer -> true);
        Verdict some = Verdict.of(standing, answer -> answer.requirement().equals("needs card"));
        Verdict none = Verdict.of(standing, answer -> false);

        assertThat(all).isEqualTo(new Verdict(false, null, 2, 0));
        assertThat(some).isEqualTo(new Verdict(false, null, 1, 1));
        assertThat(none).isEqualTo(new Verdict(false, null, 0, 2));
    }

    @Test
    void aClearFileSaysThroughWhichDayUnlessItNeverEnds() {
        KnownFile ends = file(List.of(needing("card")), paper("card", START.plusDays(9)));

        assertThat(Verdict.of(ends.on(START), answer -> true)).isEqualTo(new Verdict(true, START.plusDays(9), 0, 0));
        assertThat(Verdict.of(file(List.of()).on(START), answer -> true)).isEqualTo(new Verdict(true, null, 0, 0));
    }

    @Test
    void onlyABlockingRequirementKeepsAFileFromBeingClear() {
        assertThat(Verdict.isOpen(true, Status.MISSING)).isTrue();
        assertThat(Verdict.isOpen(false, Status.MISSING)).isFalse();
        assertThat(Verdict.isOpen(true, Status.IN_GRACE)).isFalse();
    }

    @Test
    void whatIsKeptOfAFileTellsTheSame() {
        assertThat(Verdict.kept(false, null, 3, 1)).isEqualTo(new Verdict(false, null, 2, 1));
        // a slot was hidden after it was counted
        assertThat(Verdict.kept(false, null, 1, 2)).isEqualTo(new Verdict(false, null, 0, 2));
        assertThatThrownBy(() -> new Verdict(true, null, 0, -1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Verdict(true, null, -1, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theForecastCountsAChangeInTheWeekOnWhoseDaysItFalls() {
        // covered through the seventh day after today: it changes on the eighth, the first of the second week
        KnownFile file = file(
                List.of(needing("card"), needing("licence")),
                paper("card", START.plusDays(7)),
                paper("licence", START.plusDays(6)));

        Forecast forecast = Forecast.of(List.of(file), START, 2);

        assertThat(forecast.weeks())
                .extracting(Forecast.Week::days)
                .containsExactly(
                        Window.closed(START.plusDays(1), START.plusDays(7)),
                        Window.closed(START.plusDays(8), START.plusDays(14)));
        assertThat(forecast.weeks().stream()
                        .map(w -> w.changesTo().entrySet().stream()
                                .filter(e -> e.getKey().isOpen())
                                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)))
                        .toList())
                .containsExactly(Map.of(Status.LAPSED, 1), Map.of(Status.LAPSED, 1));
    }
}
