package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.coverage.slots.RecomputeSlots;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Papers are filed while all files are recomputed after a change of rules: no slot is left as it was before a paper. */
@ServerTest
@Import(SetUpTest.OwnServer.class)
class RulesWhilePeopleChangeTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    RecomputeSlots recompute;

    @Autowired
    JdbcClient jdbc;

    @Test
    void nothingIsLostBetweenTheJobAndThePeople() throws Exception {
        Api api = practice.administrator();
        List<UUID> files = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            files.add(api.newEmployee("Racing" + i, null));
        }
        ExecutorService both = Executors.newFixedThreadPool(3);
        try {
            List<Future<Void>> work = new ArrayList<>();
            for (int half = 0; half < 2; half++) {
                int first = half;
                work.add(both.submit((Callable<Void>) () -> {
                    for (int i = first; i < files.size(); i += 2) {
                        api.fileNewPaper(files.get(i), "handbook", TODAY.minusDays(3));
                    }
                    return null;
                }));
            }
            work.add(both.submit((Callable<Void>) () -> {
                for (int grace = 1; grace <= 6; grace++) {
                    Map<String, Object> list = SetUpTest.checklist(api, "employees");
                    Map<String, Object> definition = SetUpTest.definition(list);
                    SetUpTest.requirement(definition, "handbook").put("graceDays", grace);
                    assertThat(SetUpTest.save(api, list, definition, null).status())
                            .isEqualTo(204);
                    recompute.catchUp(done -> {});
                }
                return null;
            }));
            for (Future<Void> one : work) {
                one.get();
            }
        } finally {
            both.shutdown();
        }
        recompute.catchUp(done -> {});
        assertThat(recompute.countOutdated()).isZero();
        assertThat(jdbc.sql("select count(*) from slot where requirement = 'handbook' and status = 'ON_FILE'")
                        .query(Integer.class)
                        .single())
                .isEqualTo(files.size());
        List<Map<String, Object>> stored = slots();
        recompute.rebuildAll();
        assertThat(slots()).isEqualTo(stored);
    }

    private List<Map<String, Object>> slots() {
        return jdbc.sql(
                        "select file_id, checklist, requirement, status, since, covered_through, next_change_on from slot"
                                + " order by file_id, place")
                .query()
                .listOfRows();
    }

    @Test
    void theJobTellsHowFarItIsAndWhatCameOfIt() throws Exception {
        Api api = practice.administrator();
        api.newEmployee("Progressing", null);
        Map<String, Object> list = SetUpTest.checklist(api, "employees");
        Map<String, Object> definition = SetUpTest.definition(list);
        SetUpTest.requirement(definition, "handbook").put("leadDays", 17);
        SetUpTest.save(api, list, definition, null);
        await().until(() -> !api.get("/api/jobs").<List<String>>at("$[*].state").contains("RUNNING"));
        Api.Answer jobs = api.get("/api/jobs");
        assertThat(jobs.<String>at("$[0].state")).isEqualTo("DONE");
        assertThat(jobs.<String>at("$[0].title")).contains("the checklist Employees");
        assertThat(jobs.<String>at("$[0].words")).contains("recomputed");
        assertThat(jobs.<String>at("$[0].startedBy")).isEqualTo("Ottilie Brandmoor");
        Api colleague = practice.colleague(null, true, true);
        assertThat(colleague.get("/api/jobs").<List<Object>>at("$"))
                .as("a colleague sees his own work")
                .isEmpty();
    }
}
