package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.filing.NamePattern.Ingredients;
import java.time.LocalDate;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class NamePatternTest {

    private static final Ingredients CONTRACT = new Ingredients(
            "Contract", LocalDate.of(2026, 2, 1), "Korhola T", "unsigned by director", Map.of("place", "Fennick Hall"));

    @Test
    void whatIsStillMissingStandsAtTheEnd() {
        assertThat(NamePattern.DEFAULT.name(CONTRACT, Set.of()))
                .isEqualTo("Contract, 2026-02-01, Korhola T, unsigned by director");
    }

    @Test
    void aPartWithoutValueIsLeftOut() {
        NamePattern pattern = NamePattern.parse("{type}, at {field place}, no. {field number}");
        assertThat(pattern.name(CONTRACT, Set.of())).isEqualTo("Contract, at Fennick Hall");
    }

    @Test
    void aTakenNameGetsANumber() {
        NamePattern pattern = NamePattern.parse("{type}");
        assertThat(pattern.name(CONTRACT, Set.of("contract", "Contract (2)"))).isEqualTo("Contract (3)");
    }

    @Test
    void unknownPlaceholdersAreNamed() {
        assertThatThrownBy(() -> NamePattern.parse("{type} {horse}")).hasMessageContaining("{horse}");
        assertThatThrownBy(() -> NamePattern.parse("  ")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void namesAreSafeForEveryFileSystem() {
        assertThat(FileNames.safe("../a\\b:c*?\"<>|\u0000d. ")).isEqualTo("-a-b-c------d");
        assertThat(FileNames.safe("...")).isEqualTo("Paper");
        assertThat(FileNames.safe("CON")).isEqualTo("CON -");
        assertThat(FileNames.safe("x".repeat(500))).hasSize(FileNames.LONGEST);
    }
}
