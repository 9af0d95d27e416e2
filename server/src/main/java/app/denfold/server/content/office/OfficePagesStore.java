package app.denfold.server.content.office;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which copy with pages was laid out of which office file. Written without asking first: two may lay out the same at once. */
@Repository
class OfficePagesStore {

    private final JdbcClient sql;

    OfficePagesStore(JdbcClient sql) {
        this.sql = sql;
    }

    Optional<String> of(String sha256) {
        return sql.sql("select copy_sha256 from office_pages where sha256 = ?")
                .param(sha256)
                .query(String.class)
                .optional();
    }

    void add(String sha256, String copy) {
        sql.sql("insert into office_pages (sha256, copy_sha256) values (?, ?) on conflict do nothing")
                .params(sha256, copy)
                .update();
    }

    /** @return hashes of the copies that were made of it */
    List<String> remove(String sha256) {
        return sql.sql("delete from office_pages where sha256 = ? returning copy_sha256")
                .param(sha256)
                .query(String.class)
                .list();
    }
}
