package app.denfold.server.access.teams;

import app.denfold.core.people.Teams;
import app.denfold.core.people.Teams.Team;
import app.denfold.server.access.AccessEvents.TeamsChanged;
import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The teams of the practice, and in which department and area they lie. */
@Service
public class TeamTree {

    private final TeamRepository teams;
    private final ObjectProvider<UsesTeams> uses;
    private final ApplicationEventPublisher events;

    TeamTree(TeamRepository teams, ObjectProvider<UsesTeams> uses, ApplicationEventPublisher events) {
        this.teams = teams;
        this.uses = uses;
        this.events = events;
    }

    /** All of them, by name. */
    @Transactional(readOnly = true)
    public List<Team> all() {
        return teams.findAllByOrderByName().stream().map(KeptTeam::team).toList();
    }

    public Teams tree() {
        return new Teams(all());
    }

    /** A team that stands on a file or account is one of the practice's from then on. */
    @Transactional
    public void meet(String name) {
        teams.meet(name);
    }

    /**
     * These are the teams from now on.
     *
     * @throws Refusal when they are no tree, or one that is left out is still used
     */
    @Transactional
    public void keep(Viewer viewer, List<Team> wanted) {
        viewer.requireAdministrator();
        Teams.faults(wanted).entrySet().stream().findFirst().ifPresent(fault -> {
            throw Refusal.invalid("teams." + fault.getKey() + ".name", fault.getValue());
        });
        Map<String, Team> byName = wanted.stream().collect(Collectors.toMap(Team::name, Function.identity()));
        List<KeptTeam> before = teams.findAllByOrderByName();
        List<KeptTeam> gone =
                before.stream().filter(t -> !byName.containsKey(t.name())).toList();
        gone.forEach(this::requireUnused);
        Set<String> known = before.stream().map(KeptTeam::name).collect(Collectors.toSet());
        before.stream()
                .filter(t -> byName.containsKey(t.name()))
                .forEach(t -> t.lie(Objects.requireNonNull(byName.get(t.name()))));
        wanted.stream()
                .filter(t -> !known.contains(t.name()))
                .map(KeptTeam::new)
                .forEach(teams::save);
        teams.deleteAll(gone);
        events.publishEvent(new TeamsChanged(viewer.actor(), wanted.size()));
    }

    private void requireUnused(KeptTeam team) {
        uses.stream().flatMap(u -> u.of(team.name()).stream()).findFirst().ifPresent(use -> {
            throw Refusal.conflict("team-used", team.name() + " cannot go: " + use + ".");
        });
    }
}
