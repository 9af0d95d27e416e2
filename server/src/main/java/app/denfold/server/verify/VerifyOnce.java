package app.denfold.server.verify;

import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Verifies and ends the program, before anything else would begin. */
@Component
@Profile("verify")
class VerifyOnce implements ApplicationRunner {

    private final VerifyEverything everything;

    VerifyOnce(VerifyEverything everything) {
        this.everything = everything;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        boolean whole = everything.run(System.out::println);
        Runtime.getRuntime().exit(whole ? 0 : 1);
    }
}
