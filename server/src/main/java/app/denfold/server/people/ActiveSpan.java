package app.denfold.server.people;

import jakarta.persistence.Embeddable;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Days during which anything is asked of a person, both ends included; null ends are open. */
@Embeddable
public record ActiveSpan(
        @Nullable LocalDate fromDay, @Nullable LocalDate toDay) {

    /** Hibernate reads a span without ends as null. */
    static ActiveSpan orAlways(ActiveSpan read) {
        return read == null ? new ActiveSpan(null, null) : read;
    }
}
