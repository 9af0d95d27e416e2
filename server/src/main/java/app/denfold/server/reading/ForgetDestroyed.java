package app.denfold.server.reading;

import app.denfold.server.content.destroying.ContentDestroyed;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** What was read from bytes goes with them. */
@Component
class ForgetDestroyed {

    private final JdbcTemplate sql;

    ForgetDestroyed(JdbcTemplate sql) {
        this.sql = sql;
    }

    @EventListener
    void on(ContentDestroyed event) {
        // first what is held while a page is kept
        sql.update("delete from paper_reading where sha256 = ?", event.sha256());
        sql.update("delete from paper_page where sha256 = ?", event.sha256());
    }
}
