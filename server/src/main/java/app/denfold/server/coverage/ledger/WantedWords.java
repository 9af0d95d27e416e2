package app.denfold.server.coverage.ledger;

import app.denfold.server.practice.PracticeCalendar;

/** Says to the person concerned why a paper is wanted. */
public final class WantedWords {

    private WantedWords() {}

    /** A half sentence such as {@code lapsed on 31 October 2026}. */
    public static String of(Ledger.SlotAnswer slot) {
        return switch (slot.status()) {
            case MISSING -> "missing";
            case LAPSED -> "lapsed on " + PracticeCalendar.words(slot.coveredThrough());
            case IN_GRACE -> "ran out on " + PracticeCalendar.words(slot.coveredThrough());
            case EXPIRING -> "runs out on " + PracticeCalendar.words(slot.coveredThrough());
            case NOT_YET_DUE -> "due by " + PracticeCalendar.words(slot.due());
            default -> "sent back, a corrected one is needed";
        };
    }
}
