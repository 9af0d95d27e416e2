package app.denfold.server.jobs;

import app.denfold.server.problems.DatabaseAway;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.modulith.events.IncompleteEventPublications;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Events whose listener failed or was never reached, as while the database was away, are told again every minute. */
@Component
class OutstandingEventsJob {

    private static final Logger LOG = LoggerFactory.getLogger(OutstandingEventsJob.class);

    /** Younger ones may be under way. */
    private static final Duration OLD_ENOUGH = Duration.ofMinutes(1);

    private final IncompleteEventPublications events;

    OutstandingEventsJob(IncompleteEventPublications events) {
        this.events = events;
    }

    @Scheduled(
            fixedDelayString = "${denfold.events-interval:PT1M}",
            initialDelayString = "${denfold.events-interval:PT1M}")
    void tellAgain() {
        try {
            events.resubmitIncompletePublicationsOlderThan(OLD_ENOUGH);
        } catch (RuntimeException failed) {
            if (!DatabaseAway.is(failed)) {
                throw failed;
            }
            LOG.warn("Outstanding events are told again once the database answers");
        }
    }
}
