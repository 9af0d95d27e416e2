package app.denfold.server.people;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/**
 * What is typed about a person.
 *
 * @param activeFrom first day on which anything is asked of him; null for always; not used where spans are given
 * @param spans days during which anything is asked of him, for those who left or came back; null for one that is open
 * @param facts values by the names of the kind's facts
 * @param formerNames family names borne earlier; null to leave them as they are
 * @param identifiers other numbers of this person alone, such as an insurance number; null to leave them as they are
 */
public record PersonDetails(
        @NotBlank String kind,
        @NotNull @Size(max = 80) String givenName,
        @NotBlank(message = "is needed") @Size(max = 80) String familyName,
        @Nullable LocalDate birthDate,
        @Nullable @Email(message = "is not a mail address") String email,
        @Nullable @Size(max = 60) String team,
        @Nullable LocalDate activeFrom,
        @Nullable List<SpanDetails> spans,
        Map<String, String> facts,

        @Nullable @Size(max = 10, message = "are at most 10")
        List<@NotBlank(message = "cannot be empty") @Size(max = 80) String> formerNames,

        @Nullable @Size(max = 10, message = "are at most 10")
        List<
                        @Pattern(
                                regexp = "(?=(?:[^\\p{L}\\d]*[\\p{L}\\d]){5}).{5,40}",
                                message = "needs at least five letters or digits, and 40 characters at most")
                        String>
                identifiers) {

    /** Both ends included; null ends are open. */
    public record SpanDetails(
            @Nullable LocalDate from, @Nullable LocalDate to) {}

    /** Somebody active since a day. */
    public static PersonDetails since(
            String kind,
            String givenName,
            String familyName,
            @Nullable LocalDate birthDate,
            @Nullable String email,
            @Nullable String team,
            @Nullable LocalDate activeFrom,
            Map<String, String> facts) {
        return new PersonDetails(
                kind, givenName, familyName, birthDate, email, team, activeFrom, null, facts, null, null);
    }

    PersonDetails with(Map<String, String> otherFacts) {
        return new PersonDetails(
                kind,
                givenName,
                familyName,
                birthDate,
                email,
                team,
                activeFrom,
                spans,
                otherFacts,
                formerNames,
                identifiers);
    }

    /** The days during which anything is asked of him. */
    List<ActiveSpan> activeSpans() {
        return spans == null
                ? List.of(new ActiveSpan(activeFrom, null))
                : spans.stream().map(s -> new ActiveSpan(s.from(), s.to())).toList();
    }

    public PersonDetails {
        facts = facts == null ? Map.of() : Map.copyOf(facts);
        givenName = givenName == null ? "" : givenName;
    }
}
