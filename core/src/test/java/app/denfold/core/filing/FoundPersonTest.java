package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FoundPersonTest {

    private static FoundPerson.Found in(String text) {
        return FoundPerson.in(text, FoundDates.Order.DAY_FIRST);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Patient: Edie Penhallow | Edie | Penhallow",
                "Name of the patient: Edie Rose Penhallow | Edie Rose | Penhallow",
                "Name: Penhallow, Edie | Edie | Penhallow",
                "Full name   Edie Penhallow | Edie | Penhallow",
                "Re: Tamsin O’Korhola-Brandt | Tamsin | O’Korhola-Brandt",
                "name: Edie Penhallow | Edie | Penhallow"
            })
    void aNameStandsBehindItsLabel(String line, String given, String family) {
        FoundPerson.Found found = in("Oakhollin Surgery\n" + line + "\nwas seen today.");
        assertThat(found.givenName()).isEqualTo(given);
        assertThat(found.familyName()).isEqualTo(family);
    }

    @Test
    void formsNameTheirPartsApart() {
        FoundPerson.Found found = in("""
                Surname: Penhallow
                Given names: Edie Rose
                Date of birth: 4 March 2015
                Insurance no.: 1234 040315
                Email: Ruth.Penhallow@post.example
                """);
        assertThat(found)
                .isEqualTo(new FoundPerson.Found(
                        "Edie Rose",
                        "Penhallow",
                        LocalDate.of(2015, 3, 4),
                        List.of("1234 040315"),
                        "ruth.penhallow@post.example"));
    }

    @Test
    void germanFormsAreReadAsWell() {
        FoundPerson.Found found =
                in("Nachname: Lindqvist\nVorname: Mara\ngeboren am 3. März 1987\nVersicherungsnummer: 4711 030387");
        assertThat(found.familyName()).isEqualTo("Lindqvist");
        assertThat(found.givenName()).isEqualTo("Mara");
        assertThat(found.birthDate()).isEqualTo(LocalDate.of(1987, 3, 3));
        assertThat(found.identifiers()).containsExactly("4711 030387");
    }

    @Test
    void nothingIsGuessedWithoutALabelAndNoDoubtfulDayIsTaken() {
        assertThat(in("Dear Edie Penhallow,\nwe write to tell you of the season.")
                        .isNothing())
                .isTrue();
        assertThat(FoundPerson.in("Date of birth: 03/04/2015", null).birthDate())
                .as("nobody knows how the practice writes days")
                .isNull();
        assertThat(in("Date of birth: 03/04/2015").birthDate()).isEqualTo(LocalDate.of(2015, 4, 3));
        assertThat(in("Date of birth: 23/04/2015").birthDate()).isEqualTo(LocalDate.of(2015, 4, 23));
        assertThat(in("the name: of the horse").familyName()).isNull();
    }
}
