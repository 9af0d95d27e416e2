package app.denfold.core.signing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.signing.PlacesToSign.FormField;
import app.denfold.core.signing.PlacesToSign.Proposed;
import app.denfold.core.signing.PlacesToSign.What;
import app.denfold.core.signing.PlacesToSign.Word;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PlacesToSignTest {

    private static final Map<String, String> ROLES = roles();

    private static Map<String, String> roles() {
        Map<String, String> roles = new LinkedHashMap<>();
        roles.put("employee", "employee");
        roles.put("director", "director");
        return roles;
    }

    /** Words in a row, with usual spaces between them. */
    private static List<Word> line(double left, double top, String words) {
        List<Word> line = new ArrayList<>();
        double at = left;
        for (String word : words.split(" ")) {
            double width = word.length() * 0.009;
            line.add(new Word(word, at, top, width, 0.014));
            at += width + 0.008;
        }
        return line;
    }

    @SafeVarargs
    private static List<Word> page(List<Word>... lines) {
        List<Word> all = new ArrayList<>();
        for (List<Word> line : lines) {
            all.addAll(line);
        }
        return all;
    }

    private static Proposed only(List<Proposed> all, String role, boolean day) {
        List<Proposed> found = all.stream()
                .filter(p -> p.role().equals(role) && p.what() == (day ? What.DATE : What.SIGNATURE))
                .toList();
        assertThat(found).as(role + " " + day + " in " + all).hasSize(1);
        return found.get(0);
    }

    @Test
    void labelsSideBySideAreForTheRolesTheyNameAndOneSignsAboveThem() {
        List<Word> page = page(
                line(0.1, 0.2, "The employee agrees to the hours and signs this contract in good faith today."),
                line(0.1, 0.8, "Signature of director"),
                line(0.6, 0.8, "Signature of employee"));
        List<Proposed> all = PlacesToSign.of(List.of(page), ROLES);
        assertThat(all).hasSize(2);
        Proposed director = only(all, "director", false);
        assertThat(director.left()).isEqualTo(0.1);
        assertThat(director.top() + 0.066).isEqualTo(0.8, org.assertj.core.data.Offset.offset(0.001));
        assertThat(only(all, "employee", false).left()).isEqualTo(0.6);
    }

    @Test
    void aRowOfUnderscoresIsWhereOneSigns() {
        List<Word> behind = page(line(0.1, 0.7, "Signature employee: ________________"));
        Proposed on = only(PlacesToSign.of(List.of(behind), ROLES), "employee", false);
        assertThat(on.left()).isGreaterThan(0.25);
        assertThat(on.top() + 0.066).isBetween(0.7, 0.72);
        List<Word> above = page(line(0.2, 0.7, "____________________"), line(0.2, 0.72, "Signature of the director"));
        Proposed over = only(PlacesToSign.of(List.of(above), ROLES), "director", false);
        assertThat(over.left()).isEqualTo(0.2);
        assertThat(over.top() + 0.066).isBetween(0.70, 0.72);
    }

    @Test
    void theDayBelongsToWhoeverSignsBesideIt() {
        List<Word> page = page(
                line(0.1, 0.6, "Place, date"),
                line(0.5, 0.6, "Signature of employee"),
                line(0.1, 0.8, "Datum"),
                line(0.5, 0.8, "Signature of director"));
        List<Proposed> all = PlacesToSign.of(List.of(page), ROLES);
        assertThat(only(all, "employee", true).top()).isLessThan(0.6).isGreaterThan(0.55);
        assertThat(only(all, "director", true).top()).isLessThan(0.8).isGreaterThan(0.75);
    }

    @Test
    void whoIsNotNamedComesInTheOrderOfTheRolesAndTheLastPageCounts() {
        List<Word> first = page(line(0.1, 0.1, "Signature page follows"));
        List<Word> last = page(line(0.1, 0.5, "Signature"), line(0.1, 0.7, "Unterschrift"));
        List<Proposed> all = PlacesToSign.of(List.of(first, last), ROLES);
        assertThat(only(all, "employee", false).page()).isEqualTo(2);
        assertThat(only(all, "director", false).top()).isBetween(0.6, 0.7);
    }

    @Test
    void sentencesAndPagesWithoutWordsProposeNothing() {
        List<Word> sentence = page(line(0.1, 0.3, "By my signature I agree that photographs of the horse are kept"));
        assertThat(PlacesToSign.of(List.of(sentence, List.of()), ROLES)).isEmpty();
        List<Word> unseen = List.of(new Word("Signature", 0, 0, 0, 0));
        assertThat(PlacesToSign.of(List.of(unseen), ROLES)).isEmpty();
        assertThat(PlacesToSign.of(List.of(page(line(0.1, 0.3, "Date of issue"))), ROLES))
                .as("a day alone is nobody's")
                .isEmpty();
    }

    @Test
    void aPlaceAtTheRightEdgeStaysOnThePage() {
        Proposed edge = only(
                PlacesToSign.of(List.of(page(line(0.85, 0.03, "Signature"))), Map.of("guardian", "guardian")),
                "guardian",
                false);
        assertThat(edge.left() + edge.width()).isLessThanOrEqualTo(1);
        assertThat(edge.top()).isZero();
    }

    private static FormField field(What what, double left, double top, String name) {
        return new FormField(what, 1, left, top, 0.3, 0.03, name);
    }

    @Test
    void fieldsOfAFormAreForWhomTheirNamesTellAndElseForWhoeverComesNext() {
        List<Proposed> all = PlacesToSign.ofForm(
                List.of(
                        field(What.TEXT, 0.1, 0.2, "Full name"),
                        field(What.TEXT, 0.1, 0.3, "Monthly amount"),
                        field(What.TICK, 0.1, 0.4, "I have read the rules"),
                        field(What.TEXT, 0.6, 0.5, "director initials"),
                        field(What.SIGNATURE, 0.6, 0.8, "Sign here 1"),
                        field(What.SIGNATURE, 0.1, 0.8, "signature employee"),
                        field(What.TEXT, 0.6, 0.85, "Date 2")),
                ROLES);
        assertThat(all)
                .extracting(p -> p.role() + " " + p.what())
                .containsExactlyInAnyOrder(
                        "employee SIGNATURE",
                        "director SIGNATURE",
                        "employee NAME",
                        "employee TEXT",
                        "employee TICK",
                        "director INITIALS",
                        "director DATE");
        assertThat(only(all, "employee", false).left()).isEqualTo(0.1);
        assertThat(PlacesToSign.ofForm(List.of(field(What.TEXT, 0, 0, "Name")), Map.of()))
                .isEmpty();
    }

    @Test
    void aSignatureStandsInItsFieldHoweverNarrowThatIs() {
        Proposed narrow = PlacesToSign.ofForm(
                        List.of(new FormField(What.SIGNATURE, 2, 0.95, 0.9, 0.04, 0.02, "sig")), ROLES)
                .get(0);
        assertThat(narrow.width()).isEqualTo(0.1);
        assertThat(narrow.left() + narrow.width()).isLessThanOrEqualTo(1);
        assertThat(narrow.page()).isEqualTo(2);
    }
}
