package app.denfold.server.colleagues;

import app.denfold.server.access.Role;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * What an administrator says of somebody who works here.
 *
 * @param team whose files alone they see; null or blank for those of every team
 * @param title what they are in the practice, such as {@code lead therapist}
 * @param mayChange false for somebody who looks only
 */
record ColleagueDetails(
        @NotBlank @Email(message = "is no email address") @Size(max = 254)
        String email,

        @NotBlank @Size(max = 120) String name,
        @NotNull Role role,
        @Nullable @Size(max = 60) String team,
        @Nullable @Size(max = 80) String title,
        boolean seesSensitive,
        boolean mayChange) {

    /** @throws Refusal when nobody could be that */
    NewAccount asAccount() {
        if (role == Role.GUEST) {
            throw Refusal.invalid("role", "Guests are invited from the file whose papers they are to see.");
        }
        String of = blankToNull(team);
        if (role == Role.ADMINISTRATOR && of != null) {
            throw Refusal.invalid("team", "An administrator sees the files of every team.");
        }
        if (role == Role.ADMINISTRATOR && !mayChange) {
            throw Refusal.invalid("mayChange", "An administrator may change files.");
        }
        return new NewAccount(email.strip(), name.strip(), role, of, seesSensitive, mayChange, blankToNull(title));
    }

    private static @org.jspecify.annotations.Nullable String blankToNull(
            @org.jspecify.annotations.Nullable String words) {
        return words == null || words.isBlank() ? null : words.strip();
    }
}
