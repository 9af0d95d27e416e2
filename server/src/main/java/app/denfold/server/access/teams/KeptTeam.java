package app.denfold.server.access.teams;

import app.denfold.core.people.Teams.Size;
import app.denfold.core.people.Teams.Team;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** A team of the practice, a department or an area. */
@Entity
@Table(name = "team")
class KeptTeam {

    @Id
    private String name;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    @Enumerated(EnumType.STRING)
    private Size size;

    private @Nullable String within;

    @SuppressWarnings("NullAway.Init")
    protected KeptTeam() {}

    KeptTeam(Team team) {
        this.name = team.name();
        lie(team);
    }

    final void lie(Team as) {
        this.size = as.size();
        this.within = as.within();
    }

    String name() {
        return name;
    }

    Team team() {
        return new Team(name, size, within);
    }
}
