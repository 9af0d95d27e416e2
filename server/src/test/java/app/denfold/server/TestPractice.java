package app.denfold.server;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.demo.DemoCatalog;
import app.denfold.server.practice.PracticeSettings;
import jakarta.annotation.PostConstruct;
import java.time.ZoneId;
import java.util.Map;
import java.util.UUID;
import org.springframework.test.web.servlet.MockMvc;

/** A practice with the demo's catalogue and no people; every test makes the accounts and files it needs. */
public class TestPractice {

    public static final String PASSWORD = "a password for tests";

    private final Accounts accounts;
    private final DemoCatalog catalog;
    private final PracticeSettings settings;
    private final MockMvc mvc;

    TestPractice(Accounts accounts, DemoCatalog catalog, PracticeSettings settings, MockMvc mvc) {
        this.accounts = accounts;
        this.catalog = catalog;
        this.settings = settings;
        this.mvc = mvc;
    }

    @PostConstruct
    void found() {
        catalog.load();
        settings.found("Oakhollin Riding & Therapy Yard", ZoneId.of("Europe/Vienna"), "#3b4f63");
    }

    /** An address nobody else has. */
    public static String newAddress() {
        return "t" + UUID.randomUUID().toString().replace("-", "") + "@post.example";
    }

    public Api administrator() throws Exception {
        return signIn(NewAccount.administrator(newAddress(), "Ottilie Brandmoor"));
    }

    public Api colleague(String team, boolean seesSensitive, boolean mayChange) throws Exception {
        return signIn(NewAccount.colleague(newAddress(), "Dilan Ozgune", team, seesSensitive, mayChange));
    }

    /** Somebody outside who may see and add in a file. */
    public Api guestOf(Api by, UUID file) throws Exception {
        String address = newAddress();
        by.post("/api/files/{id}/guests", Map.of("name", "A Guest", "email", address, "relation", "guardian"), file);
        return Api.nobody(mvc)
                .begin("/api/invitations/" + TestMail.linkTo(address), Map.of("password", "a long enough password"));
    }

    /** Somebody who works here, as the account says. */
    public Api signedIn(NewAccount account) throws Exception {
        return signIn(account);
    }

    private Api signIn(NewAccount account) throws Exception {
        Viewer viewer = accounts.open(account);
        accounts.setPassword(viewer.accountId(), PASSWORD);
        return Api.signIn(mvc, account.email(), PASSWORD);
    }
}
