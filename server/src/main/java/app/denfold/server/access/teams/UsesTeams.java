package app.denfold.server.access.teams;

import java.util.Optional;

/** Tells whether a team is still needed; brought by each module that names teams. */
public interface UsesTeams {

    /** For what, in words, such as {@code 12 files are of this team}; empty when for nothing. */
    Optional<String> of(String team);
}
