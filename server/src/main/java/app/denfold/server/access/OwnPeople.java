package app.denfold.server.access;

import java.util.Set;
import java.util.UUID;

/** Tells of whom somebody is in charge; brought by the module that knows the people. */
public interface OwnPeople {

    /** Files of those of whom the person of a file is in charge today, such as whose supervisor or therapist he is. */
    Set<UUID> inChargeOf(UUID ownFile);
}
