package app.denfold.core.letters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.core.letters.FillLetter.Writing;
import app.denfold.core.letters.Place.Format;
import app.denfold.core.letters.RichText.Mark;
import app.denfold.core.letters.RichText.Type;
import app.denfold.core.rules.Condition;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FillLetterTest {

    private static final Map<String, LetterValue> KNOWN = Map.of(
            "person.name", LetterValue.text("Tamsin Korhola"),
            "person.number", LetterValue.text("O-014711"),
            "day", LetterValue.day(LocalDate.of(2027, 3, 1)),
            "ask.months", LetterValue.number("1234567.5"));

    private static Place place(String what) {
        return new Place(what, Format.PLAIN, null, false);
    }

    private static Place must(String what) {
        return new Place(what, Format.PLAIN, null, true);
    }

    private static RichText line(Object... pieces) {
        List<RichText> content = Arrays.stream(pieces)
                .map(p -> p instanceof Place place ? RichText.of(place) : RichText.words(p.toString()))
                .toList();
        return new RichText(Type.PARAGRAPH, null, Set.of(), 0, null, content);
    }

    private static LetterBlock block(String id, boolean locked, RichText... content) {
        return new LetterBlock(id, null, locked, false, null, List.of(content));
    }

    private static FillLetter fill(Locale language) {
        return new FillLetter(
                KNOWN,
                Map.of("visit.next", AskedFor.Kind.DAY),
                c -> c.equals(Condition.kindIs("employee")),
                language,
                Currency.getInstance("EUR"));
    }

    private static Letter filled(LetterModel model, Writing writing) {
        return fill(Locale.UK).fill(model, writing);
    }

    private static LetterModel model(LetterBlock... blocks) {
        return new LetterModel(List.of(new AskedFor("fee", "Monthly fee", AskedFor.Kind.NUMBER)), List.of(blocks));
    }

    private static String words(Letter letter) {
        return RichText.plain(letter.content());
    }

    @Test
    void whatIsKnownStandsAtItsPlaceAndWhatIsNotStaysVisiblyOpen() {
        LetterModel model = model(
                block("a", true, line("Dear ", place("person.name"), ", your visit is on ", place("visit.next"), ".")));
        Letter letter = filled(model, Writing.nothing());
        assertThat(words(letter)).isEqualTo("Dear Tamsin Korhola, your visit is on ………….");
        assertThat(letter.content().get(0).content().get(3).marks()).containsExactly(Mark.OPEN);
        assertThat(letter.missing()).containsExactly(new FillLetter.Missing("visit.next", false, null));
        assertThat(letter.isReady()).isTrue();
    }

    @Test
    void answersAreReadAsWhatIsAskedAndOneThatIsNoneIsTold() {
        LetterModel model = model(block("a", true, line("Fee ", must("ask.fee * 12"), " from ", must("visit.next"))));
        Letter none = filled(model, new Writing(Map.of("ask.fee", " "), Set.of(), Map.of()));
        assertThat(none.isReady()).isFalse();
        assertThat(none.missing()).extracting(FillLetter.Missing::name).containsExactly("ask.fee", "visit.next");
        Letter wrong = filled(model, new Writing(Map.of("ask.fee", "much", "visit.next", "soon"), Set.of(), Map.of()));
        assertThat(wrong.missing())
                .extracting(FillLetter.Missing::problem)
                .containsExactly("Write a number such as 1250.50", "Choose a day");
        Letter right =
                filled(model, new Writing(Map.of("ask.fee", "100,5", "visit.next", "2026-12-24"), Set.of(), Map.of()));
        assertThat(words(right)).isEqualTo("Fee 1,206 from 24 Dec 2026");
        assertThat(right.isReady()).isTrue();
    }

    @Test
    void whatStandsThereOtherwiseIsTakenUnlessItMustBeKnown() {
        LetterModel model = model(block(
                "a",
                true,
                line(
                        new Place("person.title", Format.PLAIN, "Dear friend", false),
                        new Place("person.title", Format.PLAIN, "never", true))));
        Letter letter = filled(model, Writing.nothing());
        assertThat(words(letter)).isEqualTo("Dear friend…………");
        assertThat(letter.isReady()).isFalse();
    }

    @Test
    void aBlockIsForWhomItsConditionHoldsAndCanBeLeftOut() {
        LetterModel model = model(
                new LetterBlock("staff", null, true, false, Condition.kindIs("employee"), List.of(line("For staff"))),
                new LetterBlock("guests", null, true, false, Condition.kindIs("patient"), List.of(line("For guests"))),
                new LetterBlock("thanks", "Thanks", true, true, null, List.of(line("Thank you, ", must("ask.fee")))),
                block("end", true, line("The end")));
        assertThat(words(filled(model, Writing.nothing()))).isEqualTo("For staff\nThank you, …………\nThe end");
        Letter without = filled(model, new Writing(Map.of(), Set.of("thanks", "end"), Map.of()));
        assertThat(words(without)).isEqualTo("For staff\nThe end");
        assertThat(without.isReady())
                .as("nothing is asked for what is left out")
                .isTrue();
        assertThat(without.blocks()).extracting(FillLetter.Filled::isLeftOut).containsExactly(false, true, false);
    }

    @Test
    void aCorrectionIsForThisLetterOnlyAndNeverOfALockedBlock() {
        LetterModel model = model(block("free", false, line("As usual")), block("fixed", true, line("As agreed")));
        Map<String, List<RichText>> corrected =
                Map.of("free", List.of(line("For ", place("person.name"), " only")), "fixed", List.of(line("Forged")));
        Letter letter = filled(model, new Writing(Map.of(), Set.of(), corrected));
        assertThat(words(letter)).isEqualTo("For Tamsin Korhola only\nAs agreed");
        assertThat(letter.blocks()).extracting(FillLetter.Filled::differs).containsExactly(true, false);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Writing(Map.of(), Set.of(), Map.of("free", List.of(RichText.words("bare")))));
    }

    @ParameterizedTest
    @CsvSource({
        "en-GB, LONG_DATE, day, 1 March 2027",
        "de-AT, LONG_DATE, day, 1. März 2027",
        "en-GB, PLAIN, day, 1 Mar 2027",
        "en-GB, MONEY, ask.months, '€1,234,567.50'",
        "de-DE, MONEY, ask.months, '1.234.567,50 €'",
        "de-DE, PLAIN, ask.months, '1.234.567,5'",
        "en-GB, MASKED, person.number, •••••711",
        "en-GB, CAPITALS, person.name, TAMSIN KORHOLA"
    })
    void valuesAreWrittenInTheLanguageOfTheLetter(String language, Format format, String what, String written) {
        LetterModel model = model(block("a", true, line(new Place(what, format, null, true))));
        String words = words(fill(Locale.forLanguageTag(language)).fill(model, Writing.nothing()));
        assertThat(words.replace('\u00a0', ' ')).isEqualTo(written);
    }

    @Test
    void hostileTextIsTextAndNothingElse() {
        String hostile = "\u202eevil\u0000\u0007<script>alert(1)</script>\n{person.name} 👍 \u2066x\ufffe";
        FillLetter fill = new FillLetter(
                Map.of("person.name", LetterValue.text(hostile), "long", LetterValue.text("x".repeat(1_000_000))),
                Map.of(),
                c -> true,
                Locale.UK,
                Currency.getInstance("EUR"));
        LetterModel model = model(block("a", true, line(place("person.name"))), block("b", true, line(place("long"))));
        List<RichText> content = fill.fill(model, Writing.nothing()).content();
        assertThat(content.get(0).content().get(0).text())
                .isEqualTo("evil<script>alert(1)</script> {person.name} 👍 x");
        assertThat(content.get(1).content().get(0).text()).hasSize(RichText.LONGEST);
    }

    @Test
    void aReckoningThatCannotBeDoneStopsTheLetter() {
        Letter letter = filled(model(block("a", true, line(place("person.name * 2")))), Writing.nothing());
        assertThat(letter.isReady()).isFalse();
        assertThat(letter.missing().get(0).problem()).isEqualTo("“Tamsin Korhola” is not a number");
    }

    @Test
    void namesThatAreNotKnownAnyMoreAreToldOnce() {
        LetterModel model = model(
                block("a", true, line(place("fact.gone"), place("fact.gone + 1 day"), place("ask.fee"), place("day"))));
        assertThat(model.unknown(Set.of("day", "person.name"))).containsExactly("fact.gone");
    }
}
