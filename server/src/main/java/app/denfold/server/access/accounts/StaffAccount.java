package app.denfold.server.access.accounts;

import app.denfold.server.access.Role;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.UUID;

/**
 * An account of somebody who works here, as an administrator sees it.
 *
 * @param lastVisit when its holder last signed in; null when that was never
 */
public record StaffAccount(
        UUID id,
        int version,
        String email,
        String name,
        Role role,
        Scope scope,
        Post post,
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
