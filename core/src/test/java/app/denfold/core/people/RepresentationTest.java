package app.denfold.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.people.Representation.Somebody;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RepresentationTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
    private static final LocalDate ELEVEN = LocalDate.of(2015, 3, 1);
    private static final LocalDate GROWN = LocalDate.of(1990, 3, 1);

    private static final Somebody EDIE = new Somebody(null, "Edie Penhallow", "edie@post.example");
    private static final Somebody RUTH = new Somebody(RelationKind.GUARDIAN, "Ruth Penhallow", "ruth@post.example");
    private static final Somebody OLAF = new Somebody(RelationKind.GUARDIAN, "Olaf Penhallow", null);
    private static final Somebody PARENT = new Somebody(RelationKind.PARENT, "Ines Penhallow", "ines@post.example");
    private static final Somebody PAYER = new Somebody(RelationKind.PAYER, "Grete Lindqvist", null);
    private static final Somebody PHYSICIAN = new Somebody(RelationKind.PHYSICIAN, "Dr Amara Okell", null);

    @Test
    void aChildIsNotWrittenToButItsGuardiansAre() {
        assertThat(Representation.addressees(EDIE, ELEVEN, List.of(PARENT, OLAF, RUTH), TODAY))
                .containsExactly(RUTH);
        assertThat(Representation.addressees(EDIE, ELEVEN, List.of(PARENT, PHYSICIAN), TODAY))
                .as("a parent where no guardian is known")
                .containsExactly(PARENT);
        assertThat(Representation.addressees(EDIE, ELEVEN, List.of(OLAF, PARENT), TODAY))
                .as("a guardian without an address is asked about, nobody else is guessed")
                .isEmpty();
        assertThat(Representation.addressees(EDIE, ELEVEN, List.of(), TODAY)).isEmpty();
    }

    @Test
    void whoIsOfAgeIsWrittenToThemselves() {
        assertThat(Representation.addressees(EDIE, GROWN, List.of(RUTH), TODAY)).containsExactly(EDIE);
        assertThat(Representation.addressees(EDIE, null, List.of(RUTH), TODAY)).containsExactly(EDIE);
        assertThat(Representation.addressees(new Somebody(null, "Bo", null), GROWN, List.of(RUTH), TODAY))
                .isEmpty();
    }

    @Test
    void whatIsAChildsOwnGoesToAllGuardiansWhetherTheyHaveAnAddressOrNot() {
        assertThat(Representation.receiving(EDIE, ELEVEN, List.of(PARENT, OLAF, RUTH), TODAY))
                .containsExactly(OLAF, RUTH);
        assertThat(Representation.receiving(EDIE, ELEVEN, List.of(PHYSICIAN), TODAY))
                .isEmpty();
        assertThat(Representation.receiving(EDIE, GROWN, List.of(RUTH), TODAY)).containsExactly(EDIE);
    }

    @ParameterizedTest
    @CsvSource({"2008-11-29, false", "2008-11-30, true", "2015-03-01, true", "2008-11-28, false"})
    void oneComesOfAgeOnTheEighteenthBirthday(LocalDate born, boolean child) {
        assertThat(Representation.isChild(born, TODAY)).isEqualTo(child);
    }

    @Test
    void whoIsBornOnALeapDayComesOfAgeAtTheEndOfFebruary() {
        LocalDate born = LocalDate.of(2008, 2, 29);
        assertThat(Representation.isChild(born, LocalDate.of(2026, 2, 27))).isTrue();
        assertThat(Representation.isChild(born, LocalDate.of(2026, 2, 28))).isFalse();
    }

    @Test
    void forAChildTheOneGuardianSigns() {
        for (String role : List.of("guardian", "patient", "payer", "student")) {
            assertThat(Representation.signer(role, EDIE, ELEVEN, List.of(RUTH, PHYSICIAN), TODAY))
                    .as(role)
                    .contains(RUTH);
            assertThat(Representation.signer(role, EDIE, ELEVEN, List.of(RUTH, OLAF), TODAY))
                    .as("%s: which of two is asked", role)
                    .isEmpty();
            assertThat(Representation.signer(role, EDIE, ELEVEN, List.of(), TODAY))
                    .as(role)
                    .isEmpty();
        }
    }

    @Test
    void whoIsOfAgeSignsThemselvesAndForThemNobodyElse() {
        assertThat(Representation.signer("patient", EDIE, GROWN, List.of(RUTH), TODAY))
                .contains(EDIE);
        assertThat(Representation.signer("payer", EDIE, GROWN, List.of(RUTH), TODAY))
                .contains(EDIE);
        assertThat(Representation.signer("guardian", EDIE, GROWN, List.of(RUTH), TODAY))
                .isEmpty();
    }

    @Test
    void whoHasARelationOfTheRoleSignsInIt() {
        assertThat(Representation.signer("payer", EDIE, ELEVEN, List.of(RUTH, PAYER), TODAY))
                .contains(PAYER);
        assertThat(Representation.signer("physician", EDIE, ELEVEN, List.of(RUTH, PHYSICIAN), TODAY))
                .contains(PHYSICIAN);
        assertThat(Representation.signer("emergency-contact", EDIE, GROWN, List.of(RUTH), TODAY))
                .isEmpty();
    }

    @Test
    void forThePracticeNobodyIsGuessed() {
        for (String role : List.of("director", "yard", "witness")) {
            assertThat(Representation.signer(role, EDIE, GROWN, List.of(RUTH), TODAY))
                    .isEmpty();
        }
    }
}
