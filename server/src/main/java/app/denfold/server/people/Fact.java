package app.denfold.server.people;

import jakarta.persistence.Embeddable;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A dated value of a fact; both ends of its days included, null ends open. */
@Embeddable
public record Fact(
        String name,
        String value,
        @Nullable LocalDate fromDay,
        @Nullable LocalDate toDay) {

    public boolean holdsOn(LocalDate day) {
        return (fromDay == null || !day.isBefore(fromDay)) && (toDay == null || !day.isAfter(toDay));
    }
}
