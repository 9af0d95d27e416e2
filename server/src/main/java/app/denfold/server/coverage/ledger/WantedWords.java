package app.denfold.server.coverage.ledger;

import app.denfold.server.practice.PracticeCalendar;

/** Says to the person concerned why a paper is wanted. */
public final class WantedWords {

    private WantedWords() {}

    /** A half sentence such as {@code lapsed on 31 October 2026}. */
    public static String of(Ledger.SlotAnswer slot) {
        return switch (slot.status()) {
            case "missing" -> "missing";
            case "lapsed" -> "lapsed on " + PracticeCalendar.words(slot.coveredThrough());
            case "in-grace" -> "ran out on " + PracticeCalendar.words(slot.coveredThrough());
            case "expiring" -> "runs out on " + PracticeCalendar.words(slot.coveredThrough());
            case "not-yet-due" -> "due by " + PracticeCalendar.words(slot.due());
            default -> "sent back, a corrected one is needed";
        };
    }
}
