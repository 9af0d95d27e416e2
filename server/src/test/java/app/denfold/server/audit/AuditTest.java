package app.denfold.server.audit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.Api;
import app.denfold.server.FreshDatabase;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;

@ServerTest
class AuditTest {

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    @Value("${spring.datasource.url}")
    String database;

    @Value("${denfold.keys}")
    Path keys;

    @Autowired
    CheckTrailJob check;

    @Test
    void theServerCanAddToTheTrailAndDoNothingElseToIt() throws Exception {
        practice.administrator();
        for (String attempt : new String[] {
            "update audit_event set sentence = 'nothing happened'",
            "delete from audit_event",
            "truncate audit_event",
            "alter table audit_event disable trigger user",
            "drop trigger audit_event_append_only on audit_event",
            "create table own (id integer)",
            "update flyway_schema_history set success = true"
        }) {
            assertThatThrownBy(() -> jdbc.sql(attempt).update())
                    .as(attempt)
                    .hasStackTraceContaining(attempt.startsWith("create") ? "permission denied" : "");
        }
        assertThat(jdbc.sql("select count(*) from pg_class c join pg_roles r on r.oid = c.relowner"
                                + " where r.rolname = current_user")
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(jdbc.sql(
                                "select rolsuper or rolcreaterole or rolcreatedb from pg_roles where rolname = current_user")
                        .query(Boolean.class)
                        .single())
                .isFalse();
        for (String attempt : new String[] {"update audit_event set sentence = 'x'", "delete from audit_event"}) {
            assertThatThrownBy(
                            () -> FreshDatabase.asOwner(database).sql(attempt).update())
                    .hasStackTraceContaining("append-only");
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
        assertThat(pool.awaitTermination(4, TimeUnit.MINUTES)).isTrue();
        Api.Answer before = api.get("/api/audit/check");
        assertThat(before.body()).doesNotContain("brokenAt");
        assertThat(before.<Integer>at("$.rows")).isGreaterThan(24);
        String sentence = sentence(3);
        asOwnerWithoutTriggers("update audit_event set sentence = 'nothing happened' where seq = 3");
        assertThat(api.get("/api/audit/check").<Integer>at("$.brokenAt")).isEqualTo(3);
        asOwnerWithoutTriggers("update audit_event set sentence = '" + sentence.replace("'", "''") + "' where seq = 3");
        assertThat(api.get("/api/audit/check").body()).doesNotContain("brokenAt");
    }

    private String sentence(int seq) {
        return jdbc.sql("select sentence from audit_event where seq = ?")
                .param(seq)
                .query(String.class)
                .single();
    }

    private void asOwnerWithoutTriggers(String change) {
        JdbcClient owner = FreshDatabase.asOwner(database);
        owner.sql("alter table audit_event disable trigger user").update();
        owner.sql(change).update();
        owner.sql("alter table audit_event enable trigger user").update();
    }

    @Test
    void rowsThatAreCutOffOrChainedAnewWithoutTheKeyAreMissed() throws Exception {
        Api api = practice.administrator();
        api.newEmployee("Cutoff", null);
        check.noteHead();
        assertThat(Files.readString(keys.resolve("trail-heads.txt"))).isNotBlank();
        JdbcClient owner = FreshDatabase.asOwner(database);
        owner.sql("create table kept_rows as select * from audit_event order by seq desc limit 2")
                .update();
        asOwnerWithoutTriggers("delete from audit_event where seq in (select seq from kept_rows)");
        assertThat(check.run().brokenAt()).as("the end is cut off").isNotNull();
        asOwnerWithoutTriggers("insert into audit_event select * from kept_rows");
        assertThat(check.run().brokenAt()).isNull();
        // a whole row is made anew, with a hash as anybody can compute it
        asOwnerWithoutTriggers("update audit_event set keyed = false, hash = encode(sha256(hash::bytea), 'hex')"
                + " where seq = (select max(seq) from audit_event)");
        assertThat(check.run().brokenAt()).as("chained anew").isNotNull();
        asOwnerWithoutTriggers("delete from audit_event where seq in (select seq from kept_rows)");
        asOwnerWithoutTriggers("insert into audit_event select * from kept_rows");
        owner.sql("drop table kept_rows").update();
        assertThat(check.run().brokenAt()).isNull();
    }

    @Test
    void onlyAdministratorsCheckTheTrail() throws Exception {
        assertThat(practice.colleague(null, true, true).get("/api/audit/check").status())
                .isEqualTo(403);
    }
}
