package app.denfold.server.signing.requests;

import app.denfold.server.access.Actor;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Whoever takes a turn, and how he is known.
 *
 * @param actor as the trail names him
 * @param accountId of the one who acts; null for somebody without an account
 * @param forName for whom he stands in; null when he acts for himself
 * @param sessionOf in whose session it was done, where that is somebody else's; null where not
 * @param address to which a code went; null for none
 */
public record Hand(
        Actor actor,
        @Nullable UUID accountId,
        @Nullable String forName,
        KnownBy knownBy,
        @Nullable String sessionOf,
        @Nullable String address) {}
