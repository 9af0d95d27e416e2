package app.denfold.core.signing;

import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the small code at the foot of a page says that was printed to be signed with a pen. Written as {@code
 * denfold:sign=<turn>;page=2;of=3}.
 *
 * @param turn whose signature is wanted
 * @param page of what was printed for it, from 1
 * @param of how many pages were printed
 */
public record PenCode(UUID turn, int page, int of) {

    private static final Pattern SHAPE =
            Pattern.compile("denfold:sign=([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12});page=(\\d{1,4});of=(\\d{1,4})");

    public PenCode {
        if (page < 1 || page > of) {
            throw new IllegalArgumentException("There is no page " + page + " of " + of);
        }
    }

    /** Empty when the text is no such code. */
    public static Optional<PenCode> read(String text) {
        Matcher matcher = SHAPE.matcher(text.strip());
        if (!matcher.matches()) {
            return Optional.empty();
        }
        int page = Integer.parseInt(matcher.group(2));
        int of = Integer.parseInt(matcher.group(3));
        return page < 1 || page > of
                ? Optional.empty()
                : Optional.of(new PenCode(UUID.fromString(matcher.group(1)), page, of));
    }

    /** As it is written into the code. */
    public String written() {
        return "denfold:sign=" + turn + ";page=" + page + ";of=" + of;
    }
}
