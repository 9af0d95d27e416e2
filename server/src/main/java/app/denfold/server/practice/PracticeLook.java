package app.denfold.server.practice;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How the practice shows itself to those who meet it.
 *
 * @param address for its mails and sheets, on as many lines as it has; empty when it tells none
 * @param colour of its portal, as {@code #rrggbb}
 * @param languages of its letters, by ISO 639-1, the usual one first
 * @param mailFrom address from which its mails come; null for the installation's
 * @param replyTo address to which answers go; null for the one from which mails come
 */
public record PracticeLook(
        String name,
        String address,
        String colour,
        List<String> languages,
        @Nullable String mailFrom,
        @Nullable String replyTo) {

    public PracticeLook {
        languages = List.copyOf(languages);
    }

    /** What stands under its letters: name, then address, each line ended. */
    public String closing() {
        return name + "\n" + (address.isBlank() ? "" : address.strip() + "\n");
    }
}
