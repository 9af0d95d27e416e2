package app.denfold.paper;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The formats whose pages can be shown. */
public enum Format {
    PDF("application/pdf", "PDF", "pdf"),
    JPEG("image/jpeg", "JPEG", "jpg", "jpeg", "jpe", "jfif"),
    PNG("image/png", "PNG", "png"),
    TIFF("image/tiff", "TIFF", "tif", "tiff");

    private final String mediaType;
    private final String label;
    private final Set<String> endings;
    private final String ending;

    Format(String mediaType, String label, String... endings) {
        this.mediaType = mediaType;
        this.label = label;
        this.ending = endings[0];
        this.endings = Set.of(endings);
    }

    public String mediaType() {
        return mediaType;
    }

    /** What people call it. */
    public String label() {
        return label;
    }

    /** The usual ending of file names, without a dot. */
    public String ending() {
        return ending;
    }

    public static Optional<Format> ofMediaType(String mediaType) {
        return Arrays.stream(values())
                .filter(f -> f.mediaType.equals(mediaType))
                .findFirst();
    }

    /** The format that a file name's ending claims; empty when it has no ending or an unknown one. */
    public static Optional<Format> claimedBy(String fileName) {
        String ending = fileName.substring(fileName.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return Arrays.stream(values()).filter(f -> f.endings.contains(ending)).findFirst();
    }
}
