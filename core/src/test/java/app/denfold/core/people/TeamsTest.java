package app.denfold.core.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.people.Teams.Reach;
import app.denfold.core.people.Teams.Size;
import app.denfold.core.people.Teams.Team;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TeamsTest {

    private static Team team(String name, Size size, String within) {
        return new Team(name, size, within);
    }

    private static final Teams YARD = new Teams(List.of(
            team("Farm", Size.AREA, null),
            team("Riding", Size.DEPARTMENT, "Farm"),
            team("Beginners", Size.TEAM, "Riding"),
            team("Trekking", Size.TEAM, "Riding"),
            team("Therapy", Size.DEPARTMENT, "Farm"),
            team("Children", Size.TEAM, "Therapy"),
            team("Hay", Size.TEAM, "Farm"),
            team("Office", Size.TEAM, null)));

    @ParameterizedTest
    @CsvSource({
        "TEAM, Beginners, Beginners",
        "DEPARTMENT, Beginners, Beginners Riding Trekking",
        "AREA, Beginners, Beginners Children Farm Hay Riding Therapy Trekking",
        "TEAM, Riding, Beginners Riding Trekking",
        "DEPARTMENT, Hay, Hay",
        "AREA, Hay, Beginners Children Farm Hay Riding Therapy Trekking",
        "AREA, Office, Office",
        "DEPARTMENT, unheard-of, unheard-of",
        "OWN_PEOPLE, Beginners, ''",
        "EVERYBODY, Beginners, ''"
    })
    void reachGoesAsFarAsTheTreeDoes(Reach reach, String team, String seen) {
        assertThat(String.join(" ", YARD.seen(reach, team, List.of()))).isEqualTo(seen);
    }

    @Test
    void whatIsLedIsSeenWithAllThatLiesInItWhateverTheReach() {
        assertThat(YARD.seen(Reach.OWN_PEOPLE, null, Set.of("Therapy", "Office")))
                .containsExactly("Children", "Office", "Therapy");
        assertThat(YARD.seen(Reach.TEAM, "Hay", Set.of("Trekking"))).containsExactly("Hay", "Trekking");
        assertThat(YARD.seen(Reach.TEAM, null, Set.of())).isEmpty();
    }

    @Test
    void whatIsNoTreeIsSaidAtItsPlace() {
        assertThat(Teams.faults(List.of(
                        team("A", Size.TEAM, "B"),
                        team("B", Size.TEAM, "A"),
                        team("A", Size.AREA, null),
                        team(" ", Size.TEAM, null),
                        team("C", Size.TEAM, "nowhere"),
                        team("D", Size.AREA, "D"),
                        team("E", Size.TEAM, null))))
                .containsOnlyKeys(0, 1, 2, 3, 4, 5)
                .containsEntry(0, "A cannot lie in B, which is no larger.")
                .containsEntry(2, "There is another one called A.")
                .containsEntry(3, "A name is needed.")
                .containsEntry(4, "There is nothing called nowhere.");
        assertThatThrownBy(() -> new Teams(List.of(team("A", Size.TEAM, "A"))))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
