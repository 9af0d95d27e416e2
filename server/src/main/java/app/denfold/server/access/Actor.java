package app.denfold.server.access;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Who did something.
 *
 * @param id of the account; null for the system itself and for strangers
 */
public record Actor(@Nullable UUID id, String name) {

    /** The product itself, such as a pickup or the nightly roll. */
    public static Actor system(String name) {
        return new Actor(null, name);
    }
}
