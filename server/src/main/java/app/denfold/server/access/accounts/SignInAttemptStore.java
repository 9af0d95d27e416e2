package app.denfold.server.access.accounts;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Failed attempts to sign in, by account and address. Counted in one statement, so that many at once do not slip through. */
@Repository
class SignInAttemptStore {

    private final JdbcClient sql;

    SignInAttemptStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param forgotten failures before it count no more @param free wrong passwords without a wait @param longest seconds */
    record Wait(Instant forgotten, int free, long longest) {}

    /** Adds a failure, unless the account has to wait. @return whether it was added */
    boolean add(String email, String address, Instant now, Wait wait) {
        return sql.sql("""
                        insert into sign_in_attempts (email, address, failures, last_at, not_before)
                        values (:email, :address, 1, :now, '-infinity')
                        on conflict (email, address) do update set
                          failures = case when sign_in_attempts.last_at < :forgotten then 1
                                          else sign_in_attempts.failures + 1 end,
                          last_at = :now,
                          not_before = case when sign_in_attempts.last_at < :forgotten
                                              or sign_in_attempts.failures + 1 < :free then '-infinity'
                            else cast(:now as timestamptz)
                                 + least(:longest, power(2, least(sign_in_attempts.failures + 2 - :free, 20)))
                                   * interval '1 second' end
                        where sign_in_attempts.not_before <= :now
                        """)
                        .param("email", email)
                        .param("address", address)
                        .param("now", Timestamp.from(now))
                        .param("forgotten", Timestamp.from(wait.forgotten))
                        .param("free", wait.free)
                        .param("longest", wait.longest)
                        .update()
                > 0;
    }

    Optional<Instant> notBefore(String email, String address) {
        return sql.sql("select not_before from sign_in_attempts where email = ? and address = ?")
                .params(email, address)
                .query(Timestamp.class)
                .optional()
                .map(Timestamp::toInstant);
    }

    /** @param last when the last one failed; the beginning of time when none did */
    record Others(long failures, Instant last) {}

    /** Failures for the account from other addresses since a moment. */
    Others others(String email, String address, Instant since) {
        return sql.sql("""
                        select coalesce(sum(failures), 0), coalesce(max(last_at), 'epoch') from sign_in_attempts
                        where email = ? and address <> ? and last_at > ?
                        """)
                .params(email, address, Timestamp.from(since))
                .query((row, i) ->
                        new Others(row.getLong(1), row.getTimestamp(2).toInstant()))
                .single();
    }

    boolean cameInFrom(String email, String address) {
        return sql.sql("select exists (select 1 from sign_in_place where email = ? and address = ?)")
                .params(email, address)
                .query(Boolean.class)
                .single();
    }

    void cameIn(String email, String address, Instant now) {
        sql.sql("delete from sign_in_attempts where email = ? and address = ?")
                .params(email, address)
                .update();
        sql.sql("""
                insert into sign_in_place (email, address, at) values (?, ?, ?)
                on conflict (email, address) do update set at = excluded.at
                """).params(email, address, Timestamp.from(now)).update();
    }

    int failures(String email, String address) {
        return sql.sql("select failures from sign_in_attempts where email = ? and address = ?")
                .params(email, address)
                .query(Integer.class)
                .optional()
                .orElse(0);
    }

    void deleteBefore(Instant moment) {
        sql.sql("delete from sign_in_attempts where last_at < ?")
                .param(Timestamp.from(moment))
                .update();
    }
}
