package app.denfold.server.access;

import java.io.Serializable;
import java.util.UUID;
import org.springframework.security.core.AuthenticatedPrincipal;

/** What a session remembers: which account, and nothing that could grow stale. */
public record SignedInAccount(UUID id) implements Serializable, AuthenticatedPrincipal {

    /** What sessions are found by. */
    public static String nameOf(UUID id) {
        return id.toString();
    }

    @Override
    public String getName() {
        return nameOf(id);
    }
}
