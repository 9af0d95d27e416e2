package app.denfold.server.coverage.board;

import app.denfold.core.rules.Status;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.Arrays;

/**
 * Which files and which of their slots are asked about; what is left out or empty does not narrow.
 *
 * @param kind code of a kind of file
 * @param checklist only the requirements of this checklist
 * @param status files in which some slot has this status
 * @param open files in which some blocking slot is open
 * @param text part of a name, a number, a birth date or a team
 */
public record BoardFilter(
        @Nullable String kind,
        @Nullable String team,
        @Nullable String checklist,
        @Nullable String status,
        @Nullable Boolean open,
        @Nullable String text) {

    /** Nothing narrowed. */
    public static BoardFilter all() {
        return new BoardFilter(null, null, null, null, null, null);
    }

    static boolean isGiven(@Nullable String value) {
        return value != null && !value.isBlank();
    }

    boolean onlyOpen() {
        return Boolean.TRUE.equals(open);
    }

    /** @throws Refusal when there is no such status; null when none is asked for */
    @Nullable
    Status wantedStatus() {
        if (!isGiven(status)) {
            return null;
        }
        return Arrays.stream(Status.values())
                .filter(s -> s.code().equals(status))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid("status", "There is no status " + status + "."));
    }
}
