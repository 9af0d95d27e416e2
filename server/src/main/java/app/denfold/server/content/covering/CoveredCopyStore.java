package app.denfold.server.content.covering;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which copy was made of which bytes with which covers. Written without asking first: two may make the same copy at once. */
@Repository
class CoveredCopyStore {

    private final JdbcClient sql;

    CoveredCopyStore(JdbcClient sql) {
        this.sql = sql;
    }

    Optional<String> of(String sha256, String covers) {
        return sql.sql("select copy_sha256 from covered_copy where sha256 = ? and covers_sha256 = ?")
                .params(sha256, covers)
                .query(String.class)
                .optional();
    }

    void add(String sha256, String covers, String copy) {
        sql.sql("""
                insert into covered_copy (sha256, covers_sha256, copy_sha256) values (?, ?, ?) on conflict do nothing
                """).params(sha256, covers, copy).update();
    }

    /** @return hashes of the copies that were made of it */
    List<String> remove(String sha256) {
        return sql.sql("delete from covered_copy where sha256 = ? returning copy_sha256")
                .param(sha256)
                .query(String.class)
                .list();
    }
}
