package app.denfold.server.practice;

import java.time.Duration;

/**
 * How long somebody stays signed in.
 *
 * @param idle after which nothing was asked
 * @param most altogether, however much was asked
 */
public record SessionLimits(Duration idle, Duration most) {

    public static final SessionLimits USUAL = new SessionLimits(Duration.ofHours(8), Duration.ofHours(24));
}
