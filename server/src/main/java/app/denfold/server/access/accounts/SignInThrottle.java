package app.denfold.server.access.accounts;

import app.denfold.server.problems.Refusal;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever guesses passwords, without locking anybody out. An attempt is counted before its password is looked
 * at, so that many at once do not slip through. It is counted for account and address together: a stranger elsewhere does
 * not hold up the owner, nor one colleague another behind the same address. An account that is guessed at from many
 * addresses is slowed a little for addresses it never came in from.
 */
@Component
class SignInThrottle {

    /** So many wrong passwords are slips; each one after them doubles the wait. */
    static final int FREE = 5;

    private static final long LONGEST_WAIT = 900;
    private static final Duration FORGOTTEN = Duration.ofHours(24);
    private static final Duration LATELY = Duration.ofMinutes(15);
    private static final int MANY = 50;
    private static final Duration AMONG_MANY = Duration.ofSeconds(5);

    private final JdbcClient sql;

    SignInThrottle(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * Counts an attempt as failed until {@link #succeeded} says otherwise. Takes part in the running transaction, which is
     * to be committed before the password is looked at.
     *
     * @return whether it is the first that has to wait, which is worth a row of the trail
     * @throws Refusal when it comes too early; it is not counted then
     */
    void count(String email, String address, Instant now) {
        long counted = sql.sql("""
                        insert into sign_in_attempts (email, address, failures, last_at, not_before)
                        values (:email, :address, 1, :now, '-infinity')
                        on conflict (email, address) do update set
                          failures = case when sign_in_attempts.last_at < :forgotten then 1
                                          else sign_in_attempts.failures + 1 end,
                          last_at = :now,
                          not_before = case when sign_in_attempts.last_at < :forgotten
                                              or sign_in_attempts.failures + 1 < :free then '-infinity'
                            else cast(:now as timestamptz) + least(:longest, power(2, least(sign_in_attempts.failures + 2 - :free, 20)))
                                        * interval '1 second' end
                        where sign_in_attempts.not_before <= :now
                        """)
                .param("email", email)
                .param("address", address)
                .param("now", Timestamp.from(now))
                .param("forgotten", Timestamp.from(now.minus(FORGOTTEN)))
                .param("free", FREE)
                .param("longest", LONGEST_WAIT)
                .update();
        if (counted == 0) {
            throw tooEarly(secondsLeft(email, address, now));
        }
        refuseAmongMany(email, address, now);
    }

    private long secondsLeft(String email, String address, Instant now) {
        Instant until = sql.sql("select not_before from sign_in_attempts where email = ? and address = ?")
                .params(email, address)
                .query(Timestamp.class)
                .optional()
                .map(Timestamp::toInstant)
                .orElse(now);
        return Math.max(1, Duration.between(now, until).toSeconds() + 1);
    }

    private void refuseAmongMany(String email, String address, Instant now) {
        record Others(long failures, Instant last) {}
        Others others = sql.sql("""
                        select coalesce(sum(failures), 0), max(last_at) from sign_in_attempts
                        where email = ? and address <> ? and last_at > ?
                        """)
                .params(email, address, Timestamp.from(now.minus(LATELY)))
                .query((row, i) -> new Others(
                        row.getLong(1),
                        row.getTimestamp(2) == null
                                ? Instant.EPOCH
                                : row.getTimestamp(2).toInstant()))
                .single();
        boolean isTooEarly =
                others.failures >= MANY && others.last.plus(AMONG_MANY).isAfter(now);
        if (isTooEarly && !cameInFrom(email, address)) {
            throw tooEarly(AMONG_MANY.toSeconds());
        }
    }

    private boolean cameInFrom(String email, String address) {
        return sql.sql("select count(*) from sign_in_place where email = ? and address = ?")
                        .params(email, address)
                        .query(Long.class)
                        .single()
                > 0;
    }

    private static Refusal tooEarly(long seconds) {
        String wait = seconds < 90 ? seconds + (seconds == 1 ? " second" : " seconds") : seconds / 60 + 1 + " minutes";
        return Refusal.tooMany("Too many wrong passwords. Wait " + wait + " and try again.", seconds);
    }

    /** Forgets the failures of account and address. */
    void succeeded(String email, String address, Instant now) {
        sql.sql("delete from sign_in_attempts where email = ? and address = ?")
                .params(email, address)
                .update();
        sql.sql("""
                insert into sign_in_place (email, address, at) values (?, ?, ?)
                on conflict (email, address) do update set at = excluded.at
                """).params(email, address, Timestamp.from(now)).update();
    }

    /** How often in a row it failed. */
    int failures(String email, String address) {
        return sql.sql("select failures from sign_in_attempts where email = ? and address = ?")
                .params(email, address)
                .query(Integer.class)
                .optional()
                .orElse(0);
    }

    /** Forgets what is old. */
    void sweep(Instant now) {
        sql.sql("delete from sign_in_attempts where last_at < ?")
                .param(Timestamp.from(now.minus(FORGOTTEN)))
                .update();
    }
}
