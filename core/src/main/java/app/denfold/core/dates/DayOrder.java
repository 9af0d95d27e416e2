package app.denfold.core.dates;

/** Which number of 03/04/2026 is the day. */
public enum DayOrder {
    DAY_FIRST,
    MONTH_FIRST
}
