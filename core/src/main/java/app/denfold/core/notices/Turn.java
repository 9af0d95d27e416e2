package app.denfold.core.notices;

import java.time.LocalDate;

/**
 * One time at which a step tells somebody about one thing. Two are the same if and only if telling both would tell the
 * same twice.
 *
 * @param number from 0, of those of a step that comes again
 * @param anchor the day from which its days were counted
 * @param recipient id
 */
public record Turn(
        String plan, String step, int number, String file, Watched.Thing thing, LocalDate anchor, String recipient) {}
