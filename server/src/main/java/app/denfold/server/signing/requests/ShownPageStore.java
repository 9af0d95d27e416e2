package app.denfold.server.signing.requests;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which pages were shown to whoever's turn it is. Pages are drawn side by side, so each is noted in one statement. */
@Repository
public class ShownPageStore {

    private final JdbcClient sql;

    ShownPageStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Notes a page; the first time counts. */
    public void shown(UUID turnId, UUID documentId, int page, Instant now) {
        sql.sql("""
                        insert into signature_shown (turn_id, document_id, page, shown_at) values (?, ?, ?, ?)
                        on conflict do nothing
                        """).params(turnId, documentId, page, Timestamp.from(now)).update();
    }

    /** Pages of a paper that were shown, from 1, in order. */
    public List<Integer> pages(UUID turnId, UUID documentId) {
        return sql.sql("select page from signature_shown where turn_id = ? and document_id = ? order by page")
                .params(turnId, documentId)
                .query(Integer.class)
                .list();
    }

    /** Whoever takes the turn over has seen nothing yet. */
    public void forget(UUID turnId) {
        sql.sql("delete from signature_shown where turn_id = ?").param(turnId).update();
    }

    /** The paper is gone for good. */
    public void forgetPaper(UUID documentId) {
        sql.sql("delete from signature_shown where document_id = ?")
                .param(documentId)
                .update();
    }
}
