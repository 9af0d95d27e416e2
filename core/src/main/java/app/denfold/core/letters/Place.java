package app.denfold.core.letters;

import org.jspecify.annotations.Nullable;

/**
 * A place in a letter where something known of the file, asked of the writer or worked out stands.
 *
 * @param what a {@link Reckoning}, as it is written
 * @param format how its value is written
 * @param otherwise what stands there when it is not known; null to leave it visibly open
 * @param mustBeKnown whether no letter can be made without it
 */
public record Place(String what, Format format, @Nullable String otherwise, boolean mustBeKnown) {

    /** How a value is written. */
    public enum Format {
        /** A text as it is, a day short, a number as the language writes it. */
        PLAIN,
        /** A day with the month in words. */
        LONG_DATE,
        /** An amount of the practice's money. */
        MONEY,
        /** All but the last three characters hidden. */
        MASKED,
        CAPITALS
    }

    /** @throws IllegalArgumentException with words for whoever wrote it, when it is no reckoning */
    public Place {
        Reckoning.of(what);
        if (otherwise != null && otherwise.length() > 200) {
            throw new IllegalArgumentException("What stands there otherwise has up to 200 characters");
        }
    }
}
