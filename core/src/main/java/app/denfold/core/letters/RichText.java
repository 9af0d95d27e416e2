package app.denfold.core.letters;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A piece of a letter: a paragraph, a list, a table, words, a place for a fact. A tree, as rich-text editors keep it.
 *
 * @param text of words, what stands under a line to sign on, and what a picture shows
 * @param marks of words and places only
 * @param level of headings only, from 1 to 3
 * @param place of places only
 * @param picture of pictures only
 * @param content in order; none of words, places, pictures and breaks
 */
public record RichText(
        Type type,
        @Nullable String text,
        Set<Mark> marks,
        int level,
        @Nullable Place place,
        @Nullable Picture picture,
        List<RichText> content) {

    /** The longest words in one piece, in characters. */
    public static final int LONGEST = 20_000;

    /** The longest words on what a picture shows, in characters. */
    public static final int LONGEST_SHOWN = 300;

    /** How deep pieces may lie in each other. */
    public static final int DEEPEST = 12;

    public enum Type {
        PARAGRAPH,
        HEADING,
        BULLET_LIST,
        ORDERED_LIST,
        LIST_ITEM,
        TABLE,
        TABLE_ROW,
        TABLE_CELL,
        TABLE_HEADER,
        PAGE_BREAK,
        /** A line to sign on, with words under it that say whose it is. */
        SIGN_LINE,
        /** A picture on a line of its own. */
        IMAGE,
        LINE_BREAK,
        WORDS,
        PLACE
    }

    public enum Mark {
        BOLD,
        ITALIC,
        UNDERLINE,
        /** Stands where something is not known yet. */
        OPEN
    }

    /** Pieces that may stand by themselves; the others stand in one of these. */
    private static final Set<Type> WHOLE = Set.of(
            Type.PARAGRAPH,
            Type.HEADING,
            Type.BULLET_LIST,
            Type.ORDERED_LIST,
            Type.TABLE,
            Type.PAGE_BREAK,
            Type.SIGN_LINE,
            Type.IMAGE);

    private static final int LONGEST_SIGN_LINE = 80;

    private static final Set<Type> INLINE = Set.of(Type.WORDS, Type.PLACE, Type.LINE_BREAK);

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
    public RichText {
        marks = marks == null ? Set.of() : Set.copyOf(marks);
        content = content == null ? List.of() : List.copyOf(content);
        if (type == Type.WORDS && (text == null || text.length() > LONGEST)) {
            throw new IllegalArgumentException("Words have from 1 to " + LONGEST + " characters");
        }
        if (type == Type.SIGN_LINE && (text == null || text.isBlank() || text.length() > LONGEST_SIGN_LINE)) {
            throw new IllegalArgumentException(
                    "Under a line to sign on stands whose it is, in up to " + LONGEST_SIGN_LINE + " characters");
        }
        if (type == Type.IMAGE
                && (picture == null || text == null || text.isBlank() || text.length() > LONGEST_SHOWN)) {
            throw new IllegalArgumentException("A picture says what it shows, in up to " + LONGEST_SHOWN
                    + " characters, for those who cannot see it");
        }
        if (type == Type.PLACE && place == null) {
            throw new IllegalArgumentException("A place says what stands there");
        }
        for (RichText piece : content) {
            if (!mayHold(type, piece.type)) {
                throw new IllegalArgumentException(
                        words(piece.type) + " cannot stand in " + words(type).toLowerCase(Locale.ROOT));
            }
        }
        if (depth(content) >= DEEPEST) {
            throw new IllegalArgumentException("Pieces lie too deep in each other");
        }
    }

    /** One that is no picture. */
    public RichText(
            Type type,
            @Nullable String text,
            Set<Mark> marks,
            int level,
            @Nullable Place place,
            List<RichText> content) {
        this(type, text, marks, level, place, null, content);
    }

    /** @param shows what it shows, for those who cannot see it */
    public static RichText of(Picture picture, String shows) {
        return new RichText(Type.IMAGE, shows, Set.of(), 0, null, picture, List.of());
    }

    public static RichText words(String text, Mark... marks) {
        return new RichText(Type.WORDS, text, Set.of(marks), 0, null, List.of());
    }

    public static RichText of(Type type, RichText... content) {
        return new RichText(type, null, Set.of(), type == Type.HEADING ? 1 : 0, null, List.of(content));
    }

    public static RichText of(Place place) {
        return new RichText(Type.PLACE, null, Set.of(), 0, place, List.of());
    }

    /** Whether it may stand by itself in a block. */
    public boolean standsAlone() {
        return WHOLE.contains(type);
    }

    private static boolean mayHold(Type type, Type inner) {
        return switch (type) {
            case PARAGRAPH, HEADING -> INLINE.contains(inner);
            case BULLET_LIST, ORDERED_LIST -> inner == Type.LIST_ITEM;
            case LIST_ITEM, TABLE_CELL, TABLE_HEADER -> WHOLE.contains(inner) && inner != Type.PAGE_BREAK;
            case TABLE -> inner == Type.TABLE_ROW;
            case TABLE_ROW -> inner == Type.TABLE_CELL || inner == Type.TABLE_HEADER;
            case PAGE_BREAK, SIGN_LINE, IMAGE, LINE_BREAK, WORDS, PLACE -> false;
        };
    }

    private static int depth(List<RichText> content) {
        return content.stream().mapToInt(c -> 1 + depth(c.content)).max().orElse(0);
    }

    private static String words(Type type) {
        String name = type.name().replace('_', ' ').toLowerCase(Locale.ROOT);
        return Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }

    /** The same with other content. */
    public RichText with(List<RichText> other) {
        return new RichText(type, text, marks, level, place, picture, other);
    }

    /** This piece and all within, each before its own. */
    public Stream<RichText> all() {
        return Stream.concat(Stream.of(this), content.stream().flatMap(RichText::all));
    }

    /** What is read, without its looks: a place is its name in braces, pieces that stand by themselves are lines. */
    public static String plain(List<RichText> pieces) {
        List<String> lines = new ArrayList<>();
        pieces.forEach(p -> lines(p, lines));
        return String.join("\n", lines);
    }

    private static void lines(RichText piece, List<String> lines) {
        if (piece.type == Type.PARAGRAPH || piece.type == Type.HEADING) {
            StringBuilder line = new StringBuilder();
            piece.content.forEach(c -> line.append(
                    switch (c.type) {
                        case WORDS -> c.text;
                        case PLACE -> "{" + Objects.requireNonNull(c.place).what() + "}";
                        default -> "\n";
                    }));
            lines.add(line.toString());
        } else if (piece.type == Type.SIGN_LINE || piece.type == Type.IMAGE) {
            lines.add(Objects.requireNonNull(piece.text));
        } else {
            piece.content.forEach(c -> lines(c, lines));
        }
    }
}
