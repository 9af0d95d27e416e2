package app.denfold.server.marks;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.PagePoint;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/**
 * A mark as it stands on a page, as the API tells it.
 *
 * @param areas where it stands; none for a pen and an arrow
 * @param lines along which it is drawn; none for the others
 * @param reason of a cover
 */
public record PageShape(
        @NotNull MarkKind kind,
        List<PageBox> areas,
        List<List<PagePoint>> lines,
        @Nullable String text,
        @Nullable String reason) {

    static PageShape of(MarkShape shape) {
        return new PageShape(shape.kind(), shape.areas(), shape.lines(), shape.text(), shape.reason());
    }

    public MarkShape asShape() {
        return new MarkShape(kind, areas, lines, text, reason);
    }
}
