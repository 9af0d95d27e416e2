package app.denfold.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;

/** What an account may see and do. */
class ViewerTest {

    private static final UUID DILAN = new UUID(1, 1);

    private static Viewer viewer(Role role, boolean mayChange, Set<String> hiddenTypes, Set<String> hiddenFacts) {
        return new Viewer(
                DILAN,
                "Dilan Ozgune",
                "dilan@oakhollin.example",
                role,
                Sight.EVERYBODY,
                true,
                mayChange,
                Marking.usual(mayChange),
                hiddenTypes,
                hiddenFacts);
    }

    private static Viewer without(String... types) {
        return viewer(Role.COLLEAGUE, true, Set.of(types), Set.of());
    }

    @Test
    void ofAPaperOfSeveralTypesAllHaveToBeSeenAndOfARequirementOne() {
        Viewer viewer = without("report", "diagnosis");
        assertThat(viewer.maySee(List.of("contract"))).isTrue();
        assertThat(viewer.maySee(List.of("contract", "report"))).isFalse();
        assertThat(viewer.maySee(List.of())).isTrue();
        assertThat(viewer.maySeeAny(List.of("contract", "report"))).isTrue();
        assertThat(viewer.maySeeAny(List.of("diagnosis", "report"))).isFalse();
        assertThat(viewer.maySeeAny(List.of())).as("it is met by no paper").isTrue();
    }

    @Test
    void aHiddenFactIsHiddenForItsKindAlone() {
        Viewer viewer = viewer(Role.COLLEAGUE, true, Set.of(), Set.of(Viewer.fact("patient", "insurer")));
        assertThat(viewer.maySeeFact("patient", "insurer")).isFalse();
        assertThat(viewer.maySeeFact("employee", "insurer")).isTrue();
    }

    @Test
    void whoMayOnlyLookChangesNothingAndOnlyAdministratorsSetUp() {
        Viewer looks = viewer(Role.COLLEAGUE, false, Set.of(), Set.of());
        assertThatThrownBy(looks::requireChange).isInstanceOf(Refusal.class);
        assertThatThrownBy(looks::requireAdministrator).isInstanceOf(Refusal.class);
        Viewer runs = viewer(Role.ADMINISTRATOR, true, Set.of(), Set.of());
        assertThat(runs.isAdministrator()).isTrue();
        assertThatCode(runs::requireChange).doesNotThrowAnyException();
        assertThatCode(runs::requireAdministrator).doesNotThrowAnyException();
    }

    @Test
    void theProductSeesEverythingChangesNothingAndIsNobody() {
        Viewer product = Viewer.product();
        assertThat(product.seesEverybody()).isTrue();
        assertThat(product.maySeeFile(new UUID(3, 3), null)).isTrue();
        assertThat(product.actor().id()).isNull();
        assertThatThrownBy(product::requireChange).isInstanceOf(Refusal.class);
        assertThat(without().actor()).isEqualTo(new Actor(DILAN, "Dilan Ozgune"));
    }

    @Test
    void aRequestKeepsWhoIsBehindIt() {
        MockHttpServletRequest request = new MockHttpServletRequest();
        assertThat(Viewer.behindOf(request)).isEmpty();
        Viewer viewer = without();
        viewer.behind(request);
        assertThat(Viewer.behindOf(request)).contains(viewer);
    }

    @Test
    void itSeesTheFilesOfItsTeamsAndOfItsPeople() {
        UUID edie = new UUID(3, 3);
        Sight sight = new Sight(false, Set.of("Stables"), Set.of(edie));
        assertThat(sight.covers(new UUID(4, 4), "Stables")).isTrue();
        assertThat(sight.covers(new UUID(4, 4), "Therapy")).isFalse();
        assertThat(sight.covers(new UUID(4, 4), null)).isFalse();
        assertThat(sight.covers(edie, null)).isTrue();
        assertThat(sight.teamNames()).containsExactly("Stables");
        assertThat(sight.files()).containsExactly(edie);
        Viewer viewer = new Viewer(
                DILAN,
                "Dilan",
                "dilan@oakhollin.example",
                Role.COLLEAGUE,
                sight,
                true,
                true,
                Marking.MAKES,
                Set.of(),
                Set.of());
        assertThat(viewer.seesEverybody()).isFalse();
        assertThat(viewer.maySeeFile(edie, null)).isTrue();
        assertThat(viewer.maySeeFile(new UUID(4, 4), "Therapy")).isFalse();
        Sight nothing = new Sight(false, Set.of(), Set.of());
        assertThat(nothing.teamNames()).as("no team is called so").containsExactly("");
        assertThat(nothing.files()).containsExactly(new UUID(0, 0));
    }
}
