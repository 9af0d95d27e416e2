package app.denfold.core.marks;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A mark as it stands on a page.
 *
 * @param areas where it stands, of marks that have areas: one for each line of words, or one
 * @param lines along which it is drawn, of a pen and an arrow; an arrow points from its first to its second point
 * @param text what a note or a stamp says, or what is said beside another mark
 * @param reason why something is covered
 */
public record MarkShape(
        MarkKind kind,
        List<PageBox> areas,
        List<List<PagePoint>> lines,
        @Nullable String text,
        @Nullable String reason) {

    public static final int MOST_AREAS = 200;
    public static final int LONGEST_TEXT = 2_000;
    public static final int LONGEST_STAMP = 120;
    public static final int LONGEST_REASON = 80;
    private static final int MOST_LINES = 60;
    private static final int MOST_POINTS = 4_000;

    /** Texts are taken without the blanks around them; of nothing but blanks there is none. */
    public MarkShape {
        areas = areas == null ? List.of() : List.copyOf(areas);
        lines = lines == null ? List.of() : lines.stream().map(List::copyOf).toList();
        text = stripped(text);
        reason = kind == MarkKind.COVER ? stripped(reason) : null;
    }

    private static @Nullable String stripped(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    public static MarkShape on(MarkKind kind, List<PageBox> areas, @Nullable String text) {
        return new MarkShape(kind, areas, List.of(), text, null);
    }

    public static MarkShape cover(List<PageBox> areas, @Nullable String reason) {
        return new MarkShape(MarkKind.COVER, areas, List.of(), null, reason);
    }

    /** The part of the page that it takes up. @throws IllegalArgumentException when it stands nowhere */
    public PageBox place() {
        if (kind.hasAreas()) {
            return PageBox.around(areas);
        }
        return PageBox.around(lines.stream()
                .flatMap(List::stream)
                .map(p -> new PageBox(p.left(), p.top(), 0, 0))
                .toList());
    }

    /** The same moved so far; at the edge of the page it stays as it is. */
    public MarkShape moved(int right, int down) {
        MarkShape moved = new MarkShape(
                kind,
                areas.stream()
                        .map(a -> new PageBox(a.left() + right, a.top() + down, a.width(), a.height()))
                        .toList(),
                lines.stream()
                        .map(l -> l.stream()
                                .map(p -> new PagePoint(p.left() + right, p.top() + down))
                                .toList())
                        .toList(),
                text,
                reason);
        return moved.fitsOnPage() ? moved : this;
    }

    /** The same once its page is turned clockwise. @param degrees as for {@link PageBox#turned} */
    public MarkShape turned(int degrees) {
        return new MarkShape(
                kind,
                areas.stream().map(a -> a.turned(degrees)).toList(),
                lines.stream()
                        .map(l -> l.stream().map(p -> p.turned(degrees)).toList())
                        .toList(),
                text,
                reason);
    }

    /** What is wrong with it, in words; empty when nothing is. */
    public Optional<String> fault() {
        return Stream.of(faultOfPlace(), faultOfText())
                .flatMap(Optional::stream)
                .findFirst();
    }

    private boolean fitsOnPage() {
        return areas.stream().allMatch(PageBox::fitsOnPage)
                && lines.stream().flatMap(List::stream).allMatch(PagePoint::fitsOnPage);
    }

    private Optional<String> faultOfPlace() {
        if (kind.hasAreas() ? areas.isEmpty() : lines.stream().allMatch(l -> l.size() < 2)) {
            return Optional.of("Say where on the page it stands.");
        }
        if (!fitsOnPage()) {
            return Optional.of("It reaches over the edge of the page.");
        }
        if (areas.size() > MOST_AREAS) {
            return Optional.of("One mark stands at up to " + MOST_AREAS + " places of a page.");
        }
        if (kind == MarkKind.ARROW && (lines.size() != 1 || lines.get(0).size() != 2)) {
            return Optional.of("An arrow goes from one point to another.");
        }
        if (lines.size() > MOST_LINES || lines.stream().mapToInt(List::size).sum() > MOST_POINTS) {
            return Optional.of("This is more than one can draw in one go. Save it, then go on.");
        }
        return Optional.empty();
    }

    private Optional<String> faultOfText() {
        if ((kind == MarkKind.NOTE || kind == MarkKind.STAMP) && text == null) {
            return Optional.of(kind == MarkKind.NOTE ? "Write the note." : "Choose what the stamp says.");
        }
        int longest = kind == MarkKind.STAMP ? LONGEST_STAMP : LONGEST_TEXT;
        if (text != null && text.length() > longest) {
            return Optional.of("Up to " + longest + " letters fit; these are " + text.length() + ".");
        }
        return reason != null && reason.length() > LONGEST_REASON
                ? Optional.of("The reason has up to " + LONGEST_REASON + " letters.")
                : Optional.empty();
    }
}
