package app.denfold.core.rules;

import java.time.LocalDate;

/** How long a file stays clear if nothing new comes in. */
public sealed interface ClearThrough {

    /** Clear on the day asked about and through this day, not the day after. */
    record Through(LocalDate day) implements ClearThrough {}

    /** Clear on the day asked about and ever after. */
    record NeverEnds() implements ClearThrough {}

    /** Not clear on the day asked about. */
    record NotClear() implements ClearThrough {}
}
