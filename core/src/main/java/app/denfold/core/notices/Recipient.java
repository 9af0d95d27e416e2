package app.denfold.core.notices;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Somebody who is told.
 *
 * @param id who it is within the file, whatever the address
 * @param address for mails; null when none is known
 * @param greeted how a letter to them begins
 * @param language of what they get, by ISO 639-1
 */
public record Recipient(
        String id, @Nullable String address, String name, String greeted, Closeness closeness, String language) {

    /** How much somebody may be told. */
    public enum Closeness {
        /** The person, or who acts for a child. */
        OWN,
        /** Somebody who works in the practice. */
        COLLEAGUE,
        /** Anybody else: is not told which sensitive papers are meant. */
        OUTSIDER
    }

    /** By which mails to them are counted: capital letters do not matter. Null without an address. */
    public @Nullable String mailbox() {
        return address == null ? null : address.toLowerCase(Locale.ROOT);
    }
}
