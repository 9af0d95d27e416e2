package app.denfold.server.content.archiving;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which copy for the archive was made of which bytes. Written without asking first: two may make the same copy at once. */
@Repository
public class ArchiveCopyStore {

    private final JdbcClient sql;

    ArchiveCopyStore(JdbcClient sql) {
        this.sql = sql;
    }

    Optional<String> of(String sha256) {
        return sql.sql("select copy_sha256 from archive_copy where sha256 = ?")
                .param(sha256)
                .query(String.class)
                .optional();
    }

    /** @param made how, as a name */
    void add(String sha256, String copy, String made) {
        sql.sql("insert into archive_copy (sha256, copy_sha256, made) values (?, ?, ?) on conflict do nothing")
                .params(sha256, copy, made)
                .update();
    }

    /** @return hashes of the copies that were made of it */
    public List<String> remove(String sha256) {
        return sql.sql("delete from archive_copy where sha256 = ? returning copy_sha256")
                .param(sha256)
                .query(String.class)
                .list();
    }
}
