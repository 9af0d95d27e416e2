package app.denfold.server.coverage.board;

import app.denfold.server.problems.Refusal;

/** Orders of the board. Files that are not clear come first by {@code clear}, those clear without end last. */
enum BoardSort {
    NAME("f.familyName, f.givenName, f.number", "f.familyName desc, f.givenName desc, f.number desc"),
    NUMBER("f.number", "f.number desc"),
    CLEAR(
            "s.clear, s.clearThrough asc nulls last, s.fileId",
            "s.clear desc, s.clearThrough desc nulls first, s.fileId desc"),
    TEAM("f.team, f.familyName, f.givenName, f.number", "f.team desc, f.familyName, f.givenName, f.number"),
    ACTIVITY("f.lastActivityAt desc, f.id", "f.lastActivityAt, f.id");

    private final String ascending;
    private final String descending;

    BoardSort(String ascending, String descending) {
        this.ascending = ascending;
        this.descending = descending;
    }

    String order(boolean turned) {
        return turned ? descending : ascending;
    }

    /** @throws Refusal when there is no such order */
    static BoardSort of(String word) {
        for (BoardSort sort : values()) {
            if (sort.name().equalsIgnoreCase(word)) {
                return sort;
            }
        }
        throw Refusal.invalid("sort", "The board cannot be sorted by " + word + ".");
    }
}
