package app.denfold.server.verify;

import app.denfold.server.DenFold;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;

/**
 * {@code ./denfold verify}: one line for each stored paper and each row of the trail that is not as it was written, then
 * the numbers. It ends with 0 when all is as it should be, and with 1 otherwise.
 */
final class Verify {

    private Verify() {}

    public static void main(String[] args) {
        // nothing but what is asked for is made: no listener, no job, no worker, no change of the tables
        new SpringApplicationBuilder(DenFold.class)
                .web(WebApplicationType.NONE)
                .lazyInitialization(true)
                .profiles("verify")
                .run(
                        "--db-scheduler.enabled=false",
                        "--spring.flyway.enabled=false",
                        "--spring.main.banner-mode=off",
                        "--logging.level.app.denfold=warn");
    }
}
