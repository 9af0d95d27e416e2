package app.denfold.server.practice;

/** Which of the two numbers of a written date such as 3/4/2026 the practice means to be the day. */
public enum DayOrder {
    DAY_FIRST,
    MONTH_FIRST
}
