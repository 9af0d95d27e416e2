package app.denfold.core.marks;

/** What is put on a page. */
public enum MarkKind {
    HIGHLIGHT,
    NOTE,
    STAMP,
    PEN,
    ARROW,
    /** What others must not see: closed in every copy that leaves. */
    COVER;

    /** Whether it stands on areas of the page, rather than along lines. */
    public boolean hasAreas() {
        return this != PEN && this != ARROW;
    }
}
