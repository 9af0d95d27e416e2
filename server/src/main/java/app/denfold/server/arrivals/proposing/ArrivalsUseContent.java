package app.denfold.server.arrivals.proposing;

import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * What waits, is set aside or can be brought back needs its bytes, and so does a stack as long as one of its papers does.
 */
@Component
class ArrivalsUseContent implements UsesContent {

    private static final String NEEDED = "(a.state in ('WAITING', 'SET_ASIDE') or a.document_id is not null)";

    private final JdbcTemplate sql;
    private final DestroyContent destroy;
    private final TypeLearning learning;

    ArrivalsUseContent(JdbcTemplate sql, DestroyContent destroy, TypeLearning learning) {
        this.sql = sql;
        this.learning = learning;
        this.destroy = destroy;
    }

    @Override
    public boolean uses(String sha256) {
        return Boolean.TRUE.equals(
                sql.queryForObject("""
                select exists (select 1 from arrival a where a.sha256 = ? and %s)
                    or exists (select 1 from arrival s join arrival a on a.batch_id = s.id where s.sha256 = ? and %s)
                    or exists (select 1 from arrival a where a.pages::text like '%%' || ? || '%%' and %s)
                """.formatted(NEEDED, NEEDED, NEEDED), Boolean.class, sha256, sha256, sha256));
    }

    /** A destroyed paper takes along what came in for it, and the stack it came in once nothing else of that is left. */
    @EventListener
    void on(DocumentDestroyed event) {
        List<String> sources = sql.queryForList("""
                select distinct s.sha256 from arrival a join arrival s on s.id in (a.id, a.batch_id)
                where a.document_id = ?
                """, String.class, event.documentId());
        sql.update(
                "update arrival set document_id = null, version = version + 1 where document_id = ?",
                event.documentId());
        learning.forget(event.documentId());
        sources.forEach(destroy::unlessUsed);
    }
}
