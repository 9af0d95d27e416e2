package app.denfold.server.arrivals.proposing;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which arrivals need which bytes. By SQL, since the pages of an arrival are JSON and a stack is joined to its papers. */
@Repository
class ArrivalContentStore {

    private final JdbcClient sql;

    ArrivalContentStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** What waits, is set aside or can be brought back needs them, and so does a stack as long as one of its papers does. */
    boolean isNeeded(String sha256) {
        return sql.sql("""
                        with needed as (
                          select id, batch_id, sha256, pages from arrival
                          where state in ('WAITING', 'SET_ASIDE') or document_id is not null)
                        select exists (select 1 from needed where sha256 = :sha256)
                            or exists (select 1 from arrival s join needed a on a.batch_id = s.id
                                       where s.sha256 = :sha256)
                            or exists (select 1 from needed where pages::text like '%' || :sha256 || '%')
                        """).param("sha256", sha256).query(Boolean.class).single();
    }

    /** Hashes of what a document came in as: its own bytes and those of its stack. */
    List<String> sourcesOf(UUID documentId) {
        return sql.sql("""
                        select distinct s.sha256 from arrival a join arrival s on s.id in (a.id, a.batch_id)
                        where a.document_id = ?
                        """).param(documentId).query(String.class).list();
    }

    /** The document can be brought back no more. */
    void forget(UUID documentId) {
        sql.sql("update arrival set document_id = null, version = version + 1 where document_id = ?")
                .param(documentId)
                .update();
    }
}
