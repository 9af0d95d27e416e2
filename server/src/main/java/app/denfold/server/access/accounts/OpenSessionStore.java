package app.denfold.server.access.accounts;

import app.denfold.server.access.SignedInAccount;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The sessions of accounts, as the session store keeps them. */
@Component
class OpenSessionStore {

    private final JdbcClient sql;

    OpenSessionStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Ends all sessions of an account, wherever it is signed in. Takes part in the running transaction. */
    void endAll(UUID accountId) {
        sql.sql("delete from spring_session where principal_name = ?")
                .param(SignedInAccount.nameOf(accountId))
                .update();
    }
}
