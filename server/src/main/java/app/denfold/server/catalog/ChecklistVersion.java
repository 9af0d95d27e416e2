package app.denfold.server.catalog;

import jakarta.persistence.Embeddable;
import java.time.LocalDate;
import java.util.Map;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/**
 * A checklist as it is from a day on, until the next version begins.
 *
 * @param fromDay first day in force; null for since ever
 * @param definition its rules in the open JSON
 * @param requirementLabels what its requirements are called, by their codes
 */
@Embeddable
public record ChecklistVersion(
        @Nullable LocalDate fromDay,
        @JdbcTypeCode(SqlTypes.JSON) String definition,

        @JdbcTypeCode(SqlTypes.JSON) Map<String, String> requirementLabels) {}
