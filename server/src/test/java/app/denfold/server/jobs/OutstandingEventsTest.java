package app.denfold.server.jobs;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.ServerTest;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.dao.TransientDataAccessResourceException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.transaction.support.TransactionTemplate;

/** What a listener could not do while the database was away is told to it again, without a restart. */
@ServerTest
@Import(OutstandingEventsTest.Listening.class)
class OutstandingEventsTest {

    @Autowired
    OutstandingEventsJob outstanding;

    @Autowired
    Listener listener;

    @Autowired
    TransactionTemplate transactions;

    @Autowired
    ApplicationEventPublisher events;

    @Autowired
    JdbcClient jdbc;

    @Test
    void isToldAgainUntilItIsDone() {
        String word = UUID.randomUUID().toString();
        transactions.executeWithoutResult(t -> events.publishEvent(new Happened(word)));
        await().until(() -> listener.told() == 1);
        String kept =
                "select count(*) from event_publication where completion_date is null and serialized_event like '%"
                        + word + "%'";
        await().untilAsserted(() -> assertThat(
                        jdbc.sql("update event_publication set publication_date = now() - interval '5 minutes'"
                                        + " where completion_date is null and serialized_event like '%" + word + "%'")
                                .update())
                .isEqualTo(1));
        outstanding.tellAgain();
        await().until(() -> listener.told() == 2);
        await().untilAsserted(() ->
                assertThat(jdbc.sql(kept).query(Integer.class).single()).isZero());
        outstanding.tellAgain();
        assertThat(listener.told()).isEqualTo(2);
    }

    record Happened(String word) {}

    /** Asked by methods only: what is injected stands before it. */
    static class Listener {

        private final AtomicInteger told = new AtomicInteger();

        int told() {
            return told.get();
        }

        @ApplicationModuleListener
        void on(Happened event) {
            if (told.incrementAndGet() == 1) {
                throw new TransientDataAccessResourceException("the database is away");
            }
        }
    }

    @TestConfiguration
    static class Listening {
        @Bean
        Listener listener() {
            return new Listener();
        }
    }
}
