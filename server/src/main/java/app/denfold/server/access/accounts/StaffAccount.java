package app.denfold.server.access.accounts;

import app.denfold.server.access.Role;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.UUID;

/**
 * An account of somebody who works here, as an administrator sees it.
 *
 * @param team whose files alone it sees; null for those of all teams
 * @param title what its holder is in the practice; null when that is not told
 * @param lastVisit when its holder last signed in; null when that was never
 */
public record StaffAccount(
        UUID id,
        int version,
        String email,
        String name,
        Role role,
        @Nullable String team,
        @Nullable String title,
        boolean seesSensitive,
        boolean mayChange,
        State state,
        @Nullable Instant lastVisit) {

    /** Whether its holder can sign in. */
    public enum State {
        /** A link was sent, and no password chosen yet. */
        INVITED,
        ACTIVE,
        /** For a while nobody signs in to it. */
        PAUSED,
        ENDED
    }
}
