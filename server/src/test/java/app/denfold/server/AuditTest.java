package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

@ServerTest
class AuditTest {

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    @Test
    void rowsCanNeitherBeChangedNorDeleted() throws Exception {
        practice.administrator();
        for (String attempt : new String[] {
            "update audit_event set sentence = 'nothing happened'", "delete from audit_event", "truncate audit_event"
        }) {
            assertThatThrownBy(() -> jdbc.sql(attempt).update()).hasStackTraceContaining("append-only");
        }
    }

    @Test
    void theChainHoldsUnderParallelWritersAndTellsAnEdit() throws Exception {
        Api api = practice.administrator();
        ExecutorService pool = Executors.newFixedThreadPool(4);
        for (int i = 0; i < 24; i++) {
            String family = "Chain" + i;
            pool.submit(() -> api.newEmployee(family, null));
        }
        pool.shutdown();
        assertThat(pool.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
        Api.Answer check = api.get("/api/audit/check");
        assertThat(check.body()).doesNotContain("brokenAt");
        assertThat(check.<Integer>at("$.rows")).isGreaterThan(24);

        jdbc.sql("alter table audit_event disable trigger user").update();
        String before = jdbc.sql("select sentence from audit_event where seq = 3")
                .query(String.class)
                .single();
        jdbc.sql("update audit_event set sentence = 'nothing happened' where seq = 3")
                .update();
        assertThat(api.get("/api/audit/check").<Integer>at("$.brokenAt")).isEqualTo(3);
        jdbc.sql("update audit_event set sentence = ? where seq = 3")
                .param(before)
                .update();
        jdbc.sql("alter table audit_event enable trigger user").update();
        assertThat(api.get("/api/audit/check").body()).doesNotContain("brokenAt");
    }

    @Test
    void onlyAdministratorsCheckTheTrail() throws Exception {
        assertThat(practice.colleague(null, true, true).get("/api/audit/check").status())
                .isEqualTo(403);
    }
}
