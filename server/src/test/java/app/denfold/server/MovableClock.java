package app.denfold.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** A clock that a test can set forward. A test that imports it gets a server and a database of its own. */
@TestConfiguration
public class MovableClock {

    private volatile Duration ahead = Duration.ZERO;

    /** Lets so many days pass. */
    public void pass(int days) {
        ahead = ahead.plusDays(days);
    }

    @Bean
    @Primary
    Clock movable() {
        return new Clock() {
            @Override
            public ZoneId getZone() {
                return ZoneId.of("UTC");
            }

            @Override
            public Clock withZone(ZoneId zone) {
                return this;
            }

            @Override
            public Instant instant() {
                return Instant.now().plus(ahead);
            }
        };
    }
}
