package app.denfold.core.rules;

import java.time.Period;

/** What the rules accept as a calendar period. */
public final class Periods {

    private static final long MOST_DAYS = 400L * 366;

    private Periods() {}

    /**
     * @return the same period
     * @throws IllegalArgumentException when it has a negative part, is zero, or is longer than 400 years
     */
    public static Period requirePositive(Period period) {
        if (period.isNegative() || period.isZero()) {
            throw new IllegalArgumentException("A period must be longer than nothing, not " + period);
        }
        if (period.toTotalMonths() * 31 + period.getDays() > MOST_DAYS) {
            throw new IllegalArgumentException("A period can be 400 years at the most, not " + period);
        }
        return period;
    }
}
