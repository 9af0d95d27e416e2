package app.denfold.server.demo;

import app.denfold.core.people.Teams.Reach;
import app.denfold.core.people.Teams.Size;
import app.denfold.core.people.Teams.Team;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Post;
import app.denfold.server.access.accounts.Scope;
import app.denfold.server.access.accounts.StaffAccount;
import app.denfold.server.access.teams.TeamTree;
import app.denfold.server.people.PersonFile;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The demo's accounts; all have the same password. */
@Component
class DemoAccounts {

    static final String ADMINISTRATOR = "ottilie@oakhollin.example";
    static final String PASSWORD = "oakhollin-demo";

    /** Days from today after which the head instructor is on leave. */
    private static final int AWAY_IN = 9;

    private final Accounts accounts;
    private final TeamTree teams;

    DemoAccounts(Accounts accounts, TeamTree teams) {
        this.accounts = accounts;
        this.teams = teams;
    }

    /** @return the practice administrator */
    Viewer open() {
        Viewer ottilie = accounts.open(
                NewAccount.administrator(ADMINISTRATOR, "Ottilie Brandmoor").titled("practice administrator"));
        List<Viewer> all = Stream.of(
                        NewAccount.administrator("bram@oakhollin.example", "Bram Ostervelt")
                                .titled("yard director"),
                        NewAccount.colleague("zuri@oakhollin.example", "Zuri Mbeya-Holt", "Therapy", true, true)
                                .titled("lead therapist"),
                        NewAccount.colleague("hester@oakhollin.example", "Hester Quillam", "Riding school", false, true)
                                .titled("head instructor"),
                        NewAccount.colleague("dilan@oakhollin.example", "Dilan Ozgune", null, false, true)
                                .titled("receptionist"),
                        NewAccount.colleague("audit@oakhollin.example", "Maren Solbakke, auditor", null, true, false)
                                .titled("auditor"))
                .map(accounts::open)
                .toList();
        // passwords are hashed slowly on purpose
        Stream.concat(Stream.of(ottilie), all.stream()).parallel().forEach(this::setPassword);
        return ottilie;
    }

    /** What they are in the practice, once the files are there. */
    void settle(Viewer by, List<PersonFile> people, LocalDate today) {
        teams.keep(
                by,
                List.of(
                        new Team("Yard", Size.AREA, null),
                        new Team("Horses", Size.DEPARTMENT, "Yard"),
                        new Team("Riding school", Size.TEAM, "Horses"),
                        new Team("Stables", Size.TEAM, "Horses"),
                        new Team("Therapy", Size.TEAM, "Yard"),
                        new Team("Office", Size.TEAM, "Yard")));
        Map<String, StaffAccount> accountsByName =
                accounts.everyAccount(by).stream().collect(Collectors.toMap(StaffAccount::name, Function.identity()));
        UUID dilan = Objects.requireNonNull(accountsByName.get("Dilan Ozgune")).id();
        for (PersonFile person : people) {
            StaffAccount account = accountsByName.get(person.name());
            if (account == null) {
                continue;
            }
            Post post = account.post();
            boolean isHester = account.name().equals("Hester Quillam");
            boolean isBram = account.name().equals("Bram Ostervelt");
            Scope scope = isHester
                    ? new Scope(
                            Reach.OWN_PEOPLE,
                            "Riding school",
                            Set.of("Riding school"),
                            false,
                            Set.of(),
                            Set.of(),
                            true,
                            Marking.MAKES)
                    : account.scope();
            accounts.change(
                    by,
                    account.id(),
                    account.version(),
                    new NewAccount(
                            account.email(),
                            account.name(),
                            account.role(),
                            scope,
                            new Post(
                                    post.title(),
                                    isBram ? "director" : null,
                                    post.desk(),
                                    person.id(),
                                    isHester ? dilan : null,
                                    isHester ? today.plusDays(AWAY_IN) : null,
                                    isHester ? today.plusDays(AWAY_IN + 11L) : null)));
        }
    }

    void setPassword(Viewer account) {
        accounts.setPassword(account.accountId(), PASSWORD);
    }
}
