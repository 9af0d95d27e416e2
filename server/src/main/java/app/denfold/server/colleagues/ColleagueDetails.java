package app.denfold.server.colleagues;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.access.Role;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Post;
import app.denfold.server.access.accounts.Scope;
import app.denfold.server.problems.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What an administrator says of somebody who works here. */
record ColleagueDetails(
        @NotBlank @Email(message = "is no email address") @Size(max = 254)
        String email,

        @NotBlank @Size(max = 120) String name,
        @NotNull Role role,
        @NotNull @Valid Scope scope,
        @NotNull @Valid Post post) {

    /** @throws Refusal when nobody could be that */
    NewAccount asAccount() {
        if (!role.worksHere()) {
            throw Refusal.invalid("role", "Guests are invited from the file whose papers they are to see.");
        }
        if (role == Role.ADMINISTRATOR && scope.reach() != Reach.EVERYBODY) {
            throw Refusal.invalid("scope.reach", "An administrator sees the files of everybody.");
        }
        if (role == Role.ADMINISTRATOR && !scope.mayChange()) {
            throw Refusal.invalid("scope.mayChange", "An administrator may change files.");
        }
        boolean fromTeam = scope.reach() != Reach.EVERYBODY && scope.reach() != Reach.OWN_PEOPLE;
        if (fromTeam && scope.team() == null) {
            throw Refusal.invalid("scope.team", "Say in which team they are; what they see is measured from there.");
        }
        if (scope.reach() == Reach.OWN_PEOPLE
                && post.ownFile() == null
                && scope.leads().isEmpty()) {
            throw Refusal.invalid(
                    "scope.reach", "Name their own file, or a team they lead; else nobody would be their own.");
        }
        if (post.deputyFrom() != null
                && post.deputyUntil() != null
                && post.deputyUntil().isBefore(post.deputyFrom())) {
            throw Refusal.invalid("post.deputyUntil", "The last day lies before the first.");
        }
        return new NewAccount(email.strip(), name.strip(), role, scope, post);
    }
}
