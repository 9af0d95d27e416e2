package app.denfold.server.demo;

import app.denfold.server.access.Accounts;
import app.denfold.server.access.NewAccount;
import app.denfold.server.access.Viewer;
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
        Viewer ottilie = open(NewAccount.administrator(ADMINISTRATOR, "Ottilie Brandmoor"));
        open(NewAccount.administrator("bram@oakhollin.example", "Bram Ostervelt"));
        open(NewAccount.colleague("zuri@oakhollin.example", "Zuri Mbeya-Holt", "Therapy", true, true));
        open(NewAccount.colleague("hester@oakhollin.example", "Hester Quillam", "Riding school", false, true));
        open(NewAccount.colleague("dilan@oakhollin.example", "Dilan Ozgune", null, false, true));
        open(NewAccount.colleague("audit@oakhollin.example", "Maren Solbakke, auditor", null, true, false));
        return ottilie;
    }

    void setPassword(Viewer account) {
        accounts.setPassword(account.accountId(), PASSWORD);
    }

    private Viewer open(NewAccount from) {
        Viewer viewer = accounts.open(from);
        setPassword(viewer);
        return viewer;
    }
}
