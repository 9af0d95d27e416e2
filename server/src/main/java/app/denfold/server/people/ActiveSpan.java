package app.denfold.server.people;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Days during which anything is asked of a person, both ends included; null ends are open. */
public record ActiveSpan(
        @Nullable LocalDate fromDay, @Nullable LocalDate toDay) {}
