package app.denfold.server.demo;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The demo's accounts; all have the same password. */
@Component
class DemoAccounts {

    static final String ADMINISTRATOR = "ottilie@oakhollin.example";
    static final String PASSWORD = "oakhollin-demo";

    private final Accounts accounts;

    DemoAccounts(Accounts accounts) {
        this.accounts = accounts;
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

    void setPassword(Viewer account) {
        accounts.setPassword(account.accountId(), PASSWORD);
    }
}
