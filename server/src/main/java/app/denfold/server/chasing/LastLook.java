package app.denfold.server.chasing;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** Looks once more at mails just before they go out, and says what they tell by then. */
public interface LastLook {

    /** What a mail says instead. */
    record Instead(String subject, String body) {}

    /**
     * Within the transaction that claims them.
     *
     * @param bodies the texts as they stand, by the mails' numbers
     * @return those that change: what they say now, or empty where nothing is left to say
     */
    Map<UUID, Optional<Instead>> before(Map<UUID, String> bodies);
}
