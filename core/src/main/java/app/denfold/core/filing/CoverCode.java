package app.denfold.core.filing;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What the code on a cover sheet says: whose the papers behind it are, and of which type. Written as
 * {@code denfold:file=O-0147;type=first-aid}; either part can be left out, not both.
 */
public record CoverCode(
        @Nullable String fileNumber, @Nullable String type) {

    private static final Pattern SHAPE = Pattern.compile("denfold:(?:file=([^;]{1,40}))?;?(?:type=([a-z0-9-]{1,60}))?");

    public CoverCode {
        if (fileNumber == null && type == null) {
            throw new IllegalArgumentException("A cover sheet names a file or a type");
        }
    }

    /** Empty when the text is no such code. */
    public static Optional<CoverCode> read(String text) {
        Matcher matcher = SHAPE.matcher(text.strip());
        if (!matcher.matches() || (matcher.group(1) == null && matcher.group(2) == null)) {
            return Optional.empty();
        }
        return Optional.of(new CoverCode(matcher.group(1), matcher.group(2)));
    }

    /** As it is written into the code. */
    public String written() {
        String file = fileNumber == null ? "" : "file=" + fileNumber;
        String kind = type == null ? "" : "type=" + type;
        return "denfold:" + file + (file.isEmpty() || kind.isEmpty() ? "" : ";") + kind;
    }
}
