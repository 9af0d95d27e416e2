package app.denfold.server.access;

import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Whose files an account sees.
 *
 * @param everybody whether all; teams and people then say nothing
 * @param teams whose files it sees
 * @param people files that it sees besides
 */
public record Sight(boolean everybody, Set<String> teams, Set<UUID> people) {

    public static final Sight EVERYBODY = new Sight(true, Set.of(), Set.of());

    private static final UUID NO_FILE = new UUID(0, 0);

    public Sight {
        teams = Set.copyOf(teams);
        people = Set.copyOf(people);
    }

    public boolean covers(UUID file, @Nullable String team) {
        return everybody || (team != null && teams.contains(team)) || people.contains(file);
    }

    /** The teams as queries want them, with a blank that no team is called where there are none. */
    public String[] teamNames() {
        return teams.isEmpty() ? new String[] {""} : teams.toArray(String[]::new);
    }

    /** The people as queries want them, with an id that no file has where there are none. */
    public UUID[] files() {
        return people.isEmpty() ? new UUID[] {NO_FILE} : people.toArray(UUID[]::new);
    }
}
