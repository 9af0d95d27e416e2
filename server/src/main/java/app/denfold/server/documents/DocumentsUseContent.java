package app.denfold.server.documents;

import app.denfold.server.content.destroying.ContentDestroyed;
import app.denfold.server.content.destroying.UsesContent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Every version of a document needs its bytes, also in the wastebasket. */
@Component
class DocumentsUseContent implements UsesContent {

    private final JdbcTemplate sql;

    DocumentsUseContent(JdbcTemplate sql) {
        this.sql = sql;
    }

    @Override
    public boolean uses(String sha256) {
        return Boolean.TRUE.equals(sql.queryForObject(
                "select exists (select 1 from document_version where sha256 = ?)", Boolean.class, sha256));
    }

    @EventListener
    void on(ContentDestroyed event) {
        sql.update("delete from paper_turn where sha256 = ?", event.sha256());
    }
}
