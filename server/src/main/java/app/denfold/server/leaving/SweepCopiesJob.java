package app.denfold.server.leaving;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Removes, once an hour, copies that somebody looked at and did not give. */
@Component
class SweepCopiesJob {

    private final CopiesUseContent copies;

    SweepCopiesJob(CopiesUseContent copies) {
        this.copies = copies;
    }

    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT2M")
    void sweep() {
        copies.sweep();
    }
}
