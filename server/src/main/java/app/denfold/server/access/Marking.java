package app.denfold.server.access;

/** What an account may do with the marks on pages; each may also do what those before it may. */
public enum Marking {
    NOTHING,
    SEES,
    MAKES,
    /** May give out copies in which covers are open. */
    OPENS_COVERS;

    /** As far as it follows from whether an account may change files. */
    public static Marking usual(boolean mayChange) {
        return mayChange ? MAKES : SEES;
    }

    public boolean covers(Marking wanted) {
        return compareTo(wanted) >= 0;
    }
}
