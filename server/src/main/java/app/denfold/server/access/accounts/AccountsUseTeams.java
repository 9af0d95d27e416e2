package app.denfold.server.access.accounts;

import app.denfold.server.access.teams.UsesTeams;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Teams of which somebody is, or which somebody leads. */
@Component
class AccountsUseTeams implements UsesTeams {

    private final AccountRepository accounts;

    AccountsUseTeams(AccountRepository accounts) {
        this.accounts = accounts;
    }

    @Override
    public Optional<String> of(String team) {
        return accounts.findNamesOfTeam(team).stream().findFirst().map(name -> name + " is of this team or leads it");
    }
}
