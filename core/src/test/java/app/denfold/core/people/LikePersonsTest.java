package app.denfold.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.filing.Subject;
import app.denfold.core.people.LikePersons.Likeness;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LikePersonsTest {

    private static final LocalDate BORN = LocalDate.of(2014, 3, 9);

    private static KnownPerson person(String given, String family, LocalDate born) {
        return KnownPerson.of("x", "O-1", given, family, born);
    }

    private static KnownPerson known(
            String given, String family, List<String> former, LocalDate born, String identifier, String address) {
        return new KnownPerson(
                "x",
                "O-1",
                given,
                family,
                former,
                born,
                identifier == null ? List.of() : List.of(identifier),
                address == null ? List.of() : List.of(address),
                Subject.PERSON);
    }

    private static Optional<Likeness> like(KnownPerson a, KnownPerson b) {
        Optional<Likeness> one = LikePersons.of(a, b);
        Optional<Likeness> other = LikePersons.of(b, a);
        assertThat(one.isPresent()).as("symmetric").isEqualTo(other.isPresent());
        one.ifPresent(o -> assertThat(o.likelihood()).isEqualTo(other.get().likelihood()));
        return one;
    }

    @Test
    void sameNameAndBirthDateIsVeryLikely() {
        Likeness likeness = like(person("Edie", "Penhallow", BORN), person("edie", "PENHALLOW", BORN))
                .orElseThrow();
        assertThat(likeness.likelihood()).isGreaterThan(0.9);
        assertThat(likeness.reasons()).containsExactly("the same birth date", "the same name");
    }

    @ParameterizedTest
    @CsvSource({
        "Edie, Penhalow, names written a little otherwise",
        "E, Penhallow, names written a little otherwise",
        "Penhallow, Edie, given and family name exchanged",
        "Édie, Penhallow, the same name"
    })
    void namesWrittenOtherwiseStillTell(String given, String family, String reason) {
        assertThat(like(person("Edie", "Penhallow", BORN), person(given, family, BORN))
                        .orElseThrow()
                        .reasons())
                .contains(reason);
    }

    @Test
    void aNameBorneEarlierTells() {
        KnownPerson now = known("Ilse", "Varga-Moon", List.of("Moon"), BORN, null, null);
        assertThat(like(now, person("Ilse", "Moon", BORN)).orElseThrow().reasons())
                .contains("a name borne earlier");
    }

    @ParameterizedTest
    @CsvSource({"2014-03-09, true", "2014-09-03, true", "2014-03-19, true", "2015-03-09, true", "2009-11-20, false"})
    void aBirthDateMayBeMiswrittenButNotAnotherOne(LocalDate other, boolean like) {
        assertThat(like(person("Edie", "Penhallow", BORN), person("Edie", "Penhallow", other)))
                .matches(l -> l.isPresent() == like);
    }

    @Test
    void twoOfOneNameWithoutBirthDateAreJustLikely() {
        Likeness likeness = like(person("Edie", "Penhallow", null), person("Edie", "Penhallow", BORN))
                .orElseThrow();
        assertThat(likeness.likelihood()).isBetween(0.5, 0.6);
        assertThat(like(person("Edie", "Penhalow", null), person("Edie", "Penhallow", null)))
                .isEmpty();
    }

    @Test
    void siblingsBornOnOneDayAreNotLike() {
        assertThat(like(person("Edie", "Penhallow", BORN), person("Tomas", "Penhallow", BORN)))
                .isEmpty();
    }

    @Test
    void aSharedIdentifierOutweighsAnotherBirthDateAndName() {
        KnownPerson a = known("Edie", "Penhallow", List.of(), BORN, "QX 12-345", null);
        KnownPerson b = known("Edith", "Marlow", List.of(), LocalDate.of(1990, 1, 1), "qx12345", null);
        Likeness likeness = like(a, b).orElseThrow();
        assertThat(likeness.reasons().get(0)).startsWith("the same number");
        assertThat(likeness.likelihood()).isBetween(0.6, 0.7);
    }

    @Test
    void anAddressAloneTellsNothingBecauseFamiliesShareOne() {
        KnownPerson a = known("Edie", "Penhallow", List.of(), null, null, "ruth@post.example");
        KnownPerson b = known("Tomas", "Penhallow", List.of(), null, null, "Ruth@post.example");
        assertThat(like(a, b)).isEmpty();
        KnownPerson sameName = known("Edie", "Penhalow", List.of(), null, null, "ruth@post.example");
        assertThat(like(a, sameName).orElseThrow().reasons()).contains("the same mail address");
    }

    private static KnownPerson place(String name, String... numbers) {
        return new KnownPerson("p", "O-2", "", name, List.of(), null, List.of(numbers), List.of(), Subject.PRACTICE);
    }

    @Test
    void placesAreOneByTheirWholeNameOrANumber() {
        assertThat(like(place("Lower Stables"), place("Lower stables"))
                        .orElseThrow()
                        .reasons())
                .containsExactly("the same name");
        assertThat(like(place("Lower Stables"), place("Upper Stables"))).isEmpty();
        assertThat(like(place("Barn", "HK 40711-8"), place("Hay barn", "HK407118"))
                        .orElseThrow()
                        .reasons())
                .containsExactly("the same number HK 40711-8");
        assertThat(like(place("Stables"), person("", "Stables", null))).isEmpty();
    }
}
