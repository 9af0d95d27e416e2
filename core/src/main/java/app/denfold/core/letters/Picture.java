package app.denfold.core.letters;

/**
 * A picture in a letter.
 *
 * @param id by which its bytes are known
 * @param width on the page, in mm; its height follows from its shape
 */
public record Picture(String id, int width) {

    public static final int NARROWEST = 5;

    /** As wide as the text of an A4 page. */
    public static final int WIDEST = 164;

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
    public Picture {
        if (id == null || id.isBlank()) {
            throw new IllegalArgumentException("A picture says which it is");
        }
        if (width < NARROWEST || width > WIDEST) {
            throw new IllegalArgumentException(
                    "A picture is from " + NARROWEST + " to " + WIDEST + " mm wide on the page");
        }
    }
}
