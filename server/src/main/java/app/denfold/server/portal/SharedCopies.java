package app.denfold.server.portal;

import java.util.Optional;
import java.util.UUID;

/** The copies that guests are shown, as the one who keeps them knows them. */
public interface SharedCopies {

    /** The bytes of a copy; empty once its paper or the covers on it have changed. */
    Optional<String> present(UUID copyId);
}
