package app.denfold.core.letters;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What letters of one sort are written by.
 *
 * @param asks what is asked of the writer each time, in this order
 * @param blocks in the order of the page
 * @param sheet what stands on each page beside them
 */
public record LetterModel(List<AskedFor> asks, List<LetterBlock> blocks, LetterSheet sheet) {

    public static final int MOST_BLOCKS = 200;
    public static final int MOST_PICTURES = 50;

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
    public LetterModel {
        asks = asks == null ? List.of() : List.copyOf(asks);
        blocks = blocks == null ? List.of() : List.copyOf(blocks);
        if (blocks.isEmpty() || blocks.size() > MOST_BLOCKS) {
            throw new IllegalArgumentException("A model has from 1 to " + MOST_BLOCKS + " blocks");
        }
        requireOnce(blocks.stream().map(LetterBlock::id).toList(), "block");
        requireOnce(asks.stream().map(AskedFor::code).toList(), "question");
        requireFewPictures(pieces(blocks, sheet));
    }

    /** One on the usual pages. */
    public LetterModel(List<AskedFor> asks, List<LetterBlock> blocks) {
        this(asks, blocks, LetterSheet.USUAL);
    }

    private static void requireOnce(Collection<String> names, String what) {
        Set<String> seen = new HashSet<>();
        for (String name : names) {
            if (!seen.add(name)) {
                throw new IllegalArgumentException("There are two of the " + what + " “" + name + "”");
            }
        }
    }

    /** All its pieces, and all within them, in the order of the page. */
    private static Stream<RichText> pieces(List<LetterBlock> blocks, LetterSheet sheet) {
        return Stream.concat(blocks.stream().flatMap(b -> b.content().stream()).flatMap(RichText::all), sheet.all());
    }

    /** @param pieces with all within them @throws IllegalArgumentException when there are more pictures than in a letter */
    static void requireFewPictures(Stream<RichText> pieces) {
        if (pieces.filter(p -> p.picture() != null).count() > MOST_PICTURES) {
            throw new IllegalArgumentException("A letter can have up to " + MOST_PICTURES + " pictures");
        }
    }

    /** The ids of all its pictures. */
    public Set<String> pictures() {
        return pieces(blocks, sheet)
                .flatMap(p -> Stream.ofNullable(p.picture()))
                .map(Picture::id)
                .collect(Collectors.toSet());
    }

    /** All names at its places, each once, in the order of the page. */
    public Set<String> names() {
        Set<String> names = new LinkedHashSet<>();
        pieces(blocks, sheet)
                .map(RichText::place)
                .filter(Objects::nonNull)
                .forEach(p -> names.addAll(Reckoning.of(p.what()).names()));
        return names;
    }

    /**
     * The names at its places that are neither asked nor among these: what was removed from set-up since, or mistyped.
     *
     * @return each once, in the order of the page
     */
    public Set<String> unknown(Set<String> names) {
        Set<String> unknown = names();
        asks.forEach(a -> unknown.remove(a.name()));
        unknown.removeAll(names);
        return unknown;
    }
}
