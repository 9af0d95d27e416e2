package app.denfold.server.chasing;

import java.util.Collection;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Mails that the mail server has just taken, noted one by one until that is noted of many together. */
@Repository
class HandedOverStore {

    private final JdbcClient sql;

    HandedOverStore(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * Outside of any transaction, in one step. It is not waited for until it is on disk: it is to survive the end of this
     * process, not of the database, which would cost more than the mail itself.
     */
    void note(UUID notice) {
        sql.sql("""
                with quick as (select set_config('synchronous_commit', 'off', true))
                insert into notice_handed_over select ? from quick on conflict do nothing
                """).param(notice).update();
    }

    /** Those of these that the mail server has taken. */
    Set<UUID> among(Collection<UUID> notices) {
        return notices.isEmpty()
                ? Set.of()
                : sql.sql("select notice_id from notice_handed_over where notice_id in (:notices)")
                        .param("notices", notices)
                        .query(UUID.class)
                        .set();
    }

    void forget(Collection<UUID> notices) {
        if (!notices.isEmpty()) {
            sql.sql("delete from notice_handed_over where notice_id in (:notices)")
                    .param("notices", notices)
                    .update();
        }
    }
}
