package app.denfold.server.access.teams;

import app.denfold.core.people.Teams.Size;
import app.denfold.core.people.Teams.Team;
import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The teams of the practice. */
@RestController
class TeamsController {

    private final TeamTree teams;

    TeamsController(TeamTree teams) {
        this.teams = teams;
    }

    /** @param within name of the larger one in which it lies; null when in none */
    record TeamAnswer(
            @NotBlank(message = "is needed") @jakarta.validation.constraints.Size(max = 60)
            String name,

            @NotNull Size size,

            @Nullable @jakarta.validation.constraints.Size(max = 60)
            String within) {}

    record TeamsRequest(
            @Valid @NotNull @jakarta.validation.constraints.Size(max = 500)
            List<TeamAnswer> teams) {}

    @GetMapping("/api/set-up/teams")
    List<TeamAnswer> all(Viewer viewer) {
        viewer.requireAdministrator();
        return teams.all().stream()
                .map(t -> new TeamAnswer(t.name(), t.size(), t.within()))
                .toList();
    }

    /** These are the teams from now on. */
    @PutMapping("/api/set-up/teams")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(Viewer viewer, @Valid @RequestBody TeamsRequest body) {
        teams.keep(
                viewer,
                body.teams().stream()
                        .map(t -> new Team(
                                t.name().strip(),
                                t.size(),
                                t.within() == null || t.within().isBlank()
                                        ? null
                                        : t.within().strip()))
                        .toList());
    }
}
