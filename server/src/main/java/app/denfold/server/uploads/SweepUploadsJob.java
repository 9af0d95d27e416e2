package app.denfold.server.uploads;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Removes, once an hour, uploads that were begun and not finished in time. */
@Component
class SweepUploadsJob {

    private final ResumableUploads uploads;

    SweepUploadsJob(ResumableUploads uploads) {
        this.uploads = uploads;
    }

    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT1M")
    void sweep() {
        uploads.sweep();
    }
}
