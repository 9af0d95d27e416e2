package app.denfold.server.access.signin;

import app.denfold.server.access.Marking;
import app.denfold.server.access.Role;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;

/**
 * The account that is signed in.
 *
 * @param hasOwnFile whether there is a file about its holder
 * @param lockedTo signings at the desk to which the session belongs, and nothing else; usually none
 * @param lockedToTurn turn of a request to which it belongs likewise; usually null
 * @param desk at which it works unless its browser says otherwise; null for none
 */
record Me(
        UUID id,
        String name,
        String email,
        Role role,
        boolean mayChange,
        boolean seesSensitive,
        Marking marking,
        boolean hasOwnFile,
        List<UUID> lockedTo,
        @Nullable UUID lockedToTurn,
        @Nullable String desk) {}
