package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.Period;
import java.time.temporal.TemporalAdjusters;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A document type's rule for the last day on which its documents are valid. */
public sealed interface Validity {

    /**
     * The last valid day by this rule, the document's stated expiry taken into account where the rule heeds it.
     *
     * @param birthDate of the person, or null when unknown
     * @return empty when the document never expires
     */
    Optional<LocalDate> lastValidDay(Document document, @Nullable LocalDate birthDate);

    /** The same as an edge: the day after the last valid one, or {@link DaySet#NEVER_ENDS}. */
    default int endEdge(Document document, @Nullable LocalDate birthDate) {
        return DaySet.edgeAfterLast(lastValidDay(document, birthDate).orElse(null));
    }

    /** Valid for good; a stated expiry is ignored. */
    record Open() implements Validity {
        @Override
        public Optional<LocalDate> lastValidDay(Document document, @Nullable LocalDate birthDate) {
            return Optional.empty();
        }
    }

    /** Valid through the expiry stated on the document; for good if none is stated. */
    record Stated() implements Validity {
        @Override
        public Optional<LocalDate> lastValidDay(Document document, @Nullable LocalDate birthDate) {
            return Optional.ofNullable(document.statedExpiry());
        }
    }

    /** Which day of a document a period is counted from. */
    enum Anchor {
        DOCUMENT_DATE,
        EFFECTIVE_DATE,
        RECEIVED_DATE
    }

    /**
     * Valid through the anchor day plus a calendar period (31 January plus one month is the last of February), moved
     * to the end of that month if asked. An earlier stated expiry wins.
     */
    record ForPeriod(Anchor anchor, Period period, boolean toEndOfMonth) implements Validity {
        public ForPeriod {
            Periods.requirePositive(period);
        }

        @Override
        public Optional<LocalDate> lastValidDay(Document document, @Nullable LocalDate birthDate) {
            LocalDate from =
                    switch (anchor) {
                        case DOCUMENT_DATE -> document.documentDate();
                        case EFFECTIVE_DATE -> document.starts();
                        case RECEIVED_DATE -> document.receivedOn();
                    };
            LocalDate last = from.plus(period);
            return Optional.of(
                    earlierOfStated(document, toEndOfMonth ? last.with(TemporalAdjusters.lastDayOfMonth()) : last));
        }
    }

    /**
     * Valid through the first such month-day on or after the day the document starts; 29 February is 28 February in a
     * common year. An earlier stated expiry wins.
     */
    record SeasonEnd(MonthDay monthDay) implements Validity {
        @Override
        public Optional<LocalDate> lastValidDay(Document document, @Nullable LocalDate birthDate) {
            LocalDate starts = document.starts();
            LocalDate thisYear = monthDay.atYear(starts.getYear());
            LocalDate last = thisYear.isBefore(starts) ? monthDay.atYear(starts.getYear() + 1) : thisYear;
            return Optional.of(earlierOfStated(document, last));
        }
    }

    /** Valid through the day before the person's n-th birthday; for good when the birth date is unknown. */
    record UntilAge(int age) implements Validity {
        public UntilAge {
            if (age < 1) {
                throw new IllegalArgumentException("An age must be at least 1, not " + age);
            }
        }

        @Override
        public Optional<LocalDate> lastValidDay(Document document, @Nullable LocalDate birthDate) {
            return Optional.ofNullable(birthDate)
                    .map(born -> born.plusYears(age).minusDays(1));
        }
    }

    private static LocalDate earlierOfStated(Document document, LocalDate byRule) {
        LocalDate stated = document.statedExpiry();
        return stated != null && stated.isBefore(byRule) ? stated : byRule;
    }
}
