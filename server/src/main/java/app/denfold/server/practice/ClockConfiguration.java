package app.denfold.server.practice;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The one clock; {@code denfold.today} sets it to nine in the morning of another day, from where it runs on. */
@Configuration
class ClockConfiguration {

    @Bean
    Clock clock(@Value("${denfold.today}") String today, @Value("${denfold.zone}") ZoneId zone) {
        Clock system = Clock.systemUTC();
        if (today.isBlank()) {
            return system;
        }
        Duration shift = Duration.between(
                system.instant(),
                LocalDate.parse(today).atTime(LocalTime.of(9, 0)).atZone(zone).toInstant());
        return Clock.offset(system, shift);
    }
}
