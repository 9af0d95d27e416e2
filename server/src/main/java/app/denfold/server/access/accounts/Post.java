package app.denfold.server.access.accounts;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;

/**
 * What somebody is in the practice.
 *
 * @param title such as {@code lead therapist}; null when that is not told
 * @param signsAs role in which papers are signed, such as {@code director}; null for none
 * @param desk at which computers are that the account is first used at; null for none
 * @param ownFile the holder's own file; null when there is none
 * @param deputy account that stands in; null for none
 * @param deputyFrom first day on which it does; null for open
 * @param deputyUntil last day on which it does; null for open
 */
public record Post(
        @Nullable @Size(max = 80) String title,
        @Nullable @Size(max = 60) String signsAs,
        @Nullable @Size(max = 60) String desk,
        @Nullable UUID ownFile,
        @Nullable UUID deputy,
        @Nullable LocalDate deputyFrom,
        @Nullable LocalDate deputyUntil) {

    public static final Post NONE = new Post(null, null, null, null, null, null, null);

    public Post {
        title = blankToNull(title);
        signsAs = blankToNull(signsAs);
        desk = blankToNull(desk);
    }

    public static Post titled(String title) {
        return new Post(title, null, null, null, null, null, null);
    }

    private static @Nullable String blankToNull(@Nullable String words) {
        return words == null || words.isBlank() ? null : words.strip();
    }
}
