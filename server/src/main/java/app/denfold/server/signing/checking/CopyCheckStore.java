package app.denfold.server.signing.checking;

import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How many copies were checked from one address. Counted in one statement, so that many at once do not slip through. */
@Repository
class CopyCheckStore {

    private final JdbcClient sql;

    CopyCheckStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Counts one more. @param begun counting begins anew when it began before this @return how many since then */
    int count(String addressHash, Instant now, Instant begun) {
        return sql.sql("""
                        insert into copy_check (address_hash, since, checks) values (:address, :now, 1)
                        on conflict (address_hash) do update set
                          checks = case when copy_check.since < :begun then 1 else copy_check.checks + 1 end,
                          since = case when copy_check.since < :begun then :now else copy_check.since end
                        returning checks
                        """)
                .param("address", addressHash)
                .param("now", Timestamp.from(now))
                .param("begun", Timestamp.from(begun))
                .query(Integer.class)
                .single();
    }

    void forget(Instant before) {
        sql.sql("delete from copy_check where since < ?")
                .param(Timestamp.from(before))
                .update();
    }
}
