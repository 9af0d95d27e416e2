package app.denfold.server.people;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Map;

/**
 * What is typed about a person.
 *
 * @param activeFrom first day on which anything is asked of him; null for always
 * @param facts values by the names of the kind's facts
 */
public record PersonDetails(
        @NotBlank String kind,
        @NotNull @Size(max = 80) String givenName,
        @NotBlank(message = "is needed") @Size(max = 80) String familyName,
        @Nullable LocalDate birthDate,
        @Nullable @Email(message = "is not a mail address") String email,
        @Nullable @Size(max = 60) String team,
        @Nullable LocalDate activeFrom,
        Map<String, String> facts) {

    public PersonDetails {
        facts = facts == null ? Map.of() : Map.copyOf(facts);
        givenName = givenName == null ? "" : givenName;
    }
}
