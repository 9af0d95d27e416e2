package app.denfold.core.letters;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;

/**
 * What stands on each page beside the words of a letter.
 *
 * @param head whether the first page begins with the name, address and mark of the practice
 * @param top at the top of each page
 * @param foot at the foot of each page
 * @param numbered whether each page says which it is, and of how many
 */
public record LetterSheet(boolean head, List<RichText> top, List<RichText> foot, boolean numbered) {

    /** With the head of the practice and numbers. */
    public static final LetterSheet USUAL = new LetterSheet(true, List.of(), List.of(), true);

    /** How many pieces there is room for at the top, and at the foot. */
    public static final int MOST_PIECES = 3;

    /** How many characters there is room for at the top, and at the foot. */
    public static final int MOST_CHARACTERS = 300;

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
    public LetterSheet {
        top = top == null ? List.of() : List.copyOf(top);
        foot = foot == null ? List.of() : List.copyOf(foot);
        requireRoom(top, "top");
        requireRoom(foot, "foot");
    }

    private static void requireRoom(List<RichText> pieces, String where) {
        if (pieces.size() > MOST_PIECES || characters(pieces) > MOST_CHARACTERS) {
            throw new IllegalArgumentException("At the " + where + " of each page there is room for " + MOST_PIECES
                    + " lines and " + MOST_CHARACTERS + " characters");
        }
        for (RichText piece : pieces) {
            if (piece.type() != RichText.Type.PARAGRAPH && piece.type() != RichText.Type.IMAGE) {
                throw new IllegalArgumentException("At the " + where + " of each page stand lines and pictures only");
            }
        }
    }

    private static int characters(List<RichText> pieces) {
        return pieces.stream()
                .flatMap(p -> p.content().stream())
                .flatMap(p -> Stream.ofNullable(p.text()))
                .mapToInt(String::length)
                .sum();
    }

    /** The same lines, with as much of their words as there is room for. */
    static List<RichText> inRoom(List<RichText> pieces) {
        AtomicInteger room = new AtomicInteger(MOST_CHARACTERS);
        return pieces.stream()
                .map(line -> line.with(
                        line.content().stream().map(piece -> cut(piece, room)).toList()))
                .toList();
    }

    private static RichText cut(RichText piece, AtomicInteger room) {
        String text = piece.text();
        if (text == null) {
            return piece;
        }
        int left = room.getAndAdd(-Math.min(room.get(), text.length()));
        if (text.length() <= left) {
            return piece;
        }
        String shorter = left == 0 ? "" : text.substring(0, left - 1) + "…";
        return new RichText(piece.type(), shorter, piece.marks(), 0, null, List.of());
    }

    /** All its pieces, and all within them. */
    Stream<RichText> all() {
        return Stream.concat(top.stream(), foot.stream()).flatMap(RichText::all);
    }
}
