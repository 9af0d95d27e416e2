package app.denfold.core.dates;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A day on a page.
 *
 * @param sure whether both the day and its role are told beyond doubt
 * @param told whether words, a heading or the place on the page tell the role; else it is only what such days mostly are
 * @param quote as it stands on the page, word for word, with what tells the role where that stands before it on the line; of
 *     a day that was computed, the words that tell how
 * @param written the day alone, as it stands on the page
 * @param otherWay what the day is with day and month the other way round; null where that is no other day
 * @param label the words that tell the role, word for word; null where there are none
 * @param at where the quote begins, in characters from 0
 * @param doubtful whether day and month could be the other way round
 * @param computed whether it does not stand on the page but follows from a period told there
 */
public record PaperDate(
        LocalDate day,
        DateRole role,
        boolean sure,
        boolean told,
        String quote,
        String written,
        @Nullable LocalDate otherWay,
        @Nullable String label,
        int at,
        boolean doubtful,
        boolean computed) {

    PaperDate doubted() {
        return new PaperDate(day, role, false, told, quote, written, otherWay, label, at, doubtful, computed);
    }
}
