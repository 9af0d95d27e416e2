package app.denfold.server.people;

import jakarta.persistence.Embeddable;
import java.time.LocalDate;

/** A dated value of a fact; both ends of its days included, null ends open. */
@Embeddable
public record Fact(String name, String value, LocalDate fromDay, LocalDate toDay) {

    boolean holdsOn(LocalDate day) {
        return (fromDay == null || !day.isBefore(fromDay)) && (toDay == null || !day.isAfter(toDay));
    }
}
