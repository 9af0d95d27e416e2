package app.denfold.server.access.accounts;

import app.denfold.server.problems.Refusal;
import java.time.Duration;
import java.time.Instant;
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

    private final SignInAttemptStore attempts;

    SignInThrottle(SignInAttemptStore attempts) {
        this.attempts = attempts;
    }

    /**
     * Counts an attempt as failed until {@link #succeeded} says otherwise. Takes part in the running transaction, which is
     * to be committed before the password is looked at.
     *
     * @return whether it is the first that has to wait, which is worth a row of the trail
     * @throws Refusal when it comes too early; it is not counted then
     */
    void count(String email, String address, Instant now) {
        boolean isCounted = attempts.add(
                email, address, now, new SignInAttemptStore.Wait(now.minus(FORGOTTEN), FREE, LONGEST_WAIT));
        if (!isCounted) {
            throw tooEarly(secondsLeft(email, address, now));
        }
        refuseAmongMany(email, address, now);
    }

    private long secondsLeft(String email, String address, Instant now) {
        Instant until = attempts.notBefore(email, address).orElse(now);
        return Math.max(1, Duration.between(now, until).toSeconds() + 1);
    }

    private void refuseAmongMany(String email, String address, Instant now) {
        SignInAttemptStore.Others others = attempts.others(email, address, now.minus(LATELY));
        boolean isTooEarly =
                others.failures() >= MANY && others.last().plus(AMONG_MANY).isAfter(now);
        if (isTooEarly && !attempts.cameInFrom(email, address)) {
            throw tooEarly(AMONG_MANY.toSeconds());
        }
    }

    private static Refusal tooEarly(long seconds) {
        String wait = seconds < 90 ? seconds + (seconds == 1 ? " second" : " seconds") : seconds / 60 + 1 + " minutes";
        return Refusal.tooMany("Too many wrong passwords. Wait " + wait + " and try again.", seconds);
    }

    /** Forgets the failures of account and address. */
    void succeeded(String email, String address, Instant now) {
        attempts.cameIn(email, address, now);
    }

    /** How often in a row it failed. */
    int failures(String email, String address) {
        return attempts.failures(email, address);
    }

    /** Forgets what is old. */
    void sweep(Instant now) {
        attempts.deleteBefore(now.minus(FORGOTTEN));
    }
}
