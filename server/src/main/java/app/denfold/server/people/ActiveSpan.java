package app.denfold.server.people;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Days during which anything is asked of a person, both ends included; null ends are open. */
public record ActiveSpan(
        @Nullable LocalDate fromDay, @Nullable LocalDate toDay) {

    /**
     * The same as its row keeps it.
     *
     * @param hasStart told by the database. Hibernate leaves out elements of which all columns are null, and a span open at
     *     both ends would be one.
     */
    @Embeddable
    record Kept(
            @Nullable LocalDate fromDay,
            @Nullable LocalDate toDay,
            @Column(insertable = false, updatable = false) boolean hasStart) {

        static Kept of(ActiveSpan span) {
            return new Kept(span.fromDay(), span.toDay(), span.fromDay() != null);
        }

        ActiveSpan span() {
            return new ActiveSpan(fromDay, toDay);
        }
    }
}
