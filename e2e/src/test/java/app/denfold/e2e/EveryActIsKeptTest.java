package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The server, its workers and the database are killed by turns at random moments while people file, move, discard, accept,
 * comment, sign, merge, waive,
 * note visits, hand over, change rules and guests send papers: every act that was acknowledged stands, once, with its line in the trail, and the
 * trail's chain is whole. The number of kills is {@code -Ddenfold.act-kills}; {@code ./denfold kills} asks for 201.
 */
class EveryActIsKeptTest {

    private static final int KILLS = Integer.getInteger("denfold.act-kills", 6);

    @TempDir
    Path folder;

    private final Random random = new Random(20_261_128);
    private final PeopleAtWork people = new PeopleAtWork();
    private final AtomicInteger brokenOff = new AtomicInteger();
    private final Map<Victim, Integer> kills = new EnumMap<>(Victim.class);
    private volatile boolean over;

    /** When the server or the database was last ended or came back: what is answered about then may be a failure. */
    private volatile long disturbedAt = System.nanoTime();

    private enum Victim {
        SERVER,
        WORKER,
        DATABASE
    }

    @BeforeEach
    void foldersCanBeWalkedThrough() {
        assertThat(folder.toFile().setExecutable(true, false)).isTrue();
    }

    @Test
    void whateverIsKilledWhatWasAcknowledgedStands() throws Exception {
        ServerProcess server = new ServerProcess(folder).withoutRecognition();
        ExecutorService threads = Executors.newCachedThreadPool();
        try (server) {
            server.start();
            people.setUpTypes(HttpSession.signIn(server.address(), PeopleAtWork.ADMINISTRATOR));
            disturbedAt = System.nanoTime();
            people.acts().forEach(act -> threads.submit(() -> repeat(server, act)));
            for (int kill = 0; kill < KILLS && people.failures.isEmpty(); kill++) {
                awaitMoreActs();
                TimeUnit.MILLISECONDS.sleep(random.nextInt(1_500));
                kill(server, Victim.values()[kill % Victim.values().length]);
            }
            awaitMoreActs();
            over = true;
            threads.shutdown();
            assertThat(threads.awaitTermination(4, TimeUnit.MINUTES)).isTrue();
            assertThat(people.failures).isEmpty();
            System.out.printf(
                    "figure kills %s acknowledged %s broken-off %d compared %d%n",
                    kills, people.acknowledged, brokenOff.get(), people.kept.size());
            everythingAcknowledgedStands(server);
        } finally {
            over = true;
            threads.shutdownNow();
        }
        assertThat(people.acknowledged.keySet())
                .contains(
                        "filed",
                        "comment",
                        "move",
                        "discard",
                        "accept",
                        "sign",
                        "merge",
                        "rule",
                        "waiver",
                        "visit",
                        "hand-over",
                        "sent");
    }

    private void kill(ServerProcess server, Victim victim) throws Exception {
        switch (victim) {
            case SERVER -> {
                disturbedAt = Long.MAX_VALUE;
                server.kill();
                server.start();
                disturbedAt = System.nanoTime();
            }
            case WORKER -> {
                boolean killed = server.killWorker(random);
                for (int i = 0; i < 4_000 && !killed; i++) {
                    TimeUnit.MILLISECONDS.sleep(25);
                    killed = server.killWorker(random);
                }
                assertThat(killed).as("a worker was there to be killed").isTrue();
            }
            case DATABASE -> {
                disturbedAt = Long.MAX_VALUE;
                server.killDatabase();
                disturbedAt = System.nanoTime();
            }
        }
        kills.merge(victim, 1, Integer::sum);
    }

    /** Until people got on with their work again, so that each kill meets work. */
    private void awaitMoreActs() throws InterruptedException {
        int before = people.kept.size();
        long latest = System.nanoTime() + TimeUnit.MINUTES.toNanos(4);
        while (people.kept.size() < before + 10 && people.failures.isEmpty()) {
            if (System.nanoTime() > latest) {
                people.failures.add("Nothing was acknowledged for four minutes.");
            }
            TimeUnit.MILLISECONDS.sleep(20);
        }
    }

    private Void repeat(ServerProcess server, PeopleAtWork.Act act) throws InterruptedException {
        HttpSession session = null;
        while (!over && people.failures.isEmpty()) {
            try {
                if (session == null) {
                    session = HttpSession.signIn(server.address(), act.as());
                }
                act.work().once(session);
            } catch (Exception | AssertionError cutShort) {
                boolean disturbed = System.nanoTime() - disturbedAt < TimeUnit.SECONDS.toNanos(20);
                if (!disturbed && !over) {
                    people.failures.add(cutShort.toString());
                }
                brokenOff.incrementAndGet();
                session = null;
                TimeUnit.MILLISECONDS.sleep(200);
            }
        }
        return null;
    }

    // --- what is compared ---

    private void everythingAcknowledgedStands(ServerProcess server) throws Exception {
        List<String> lost = lost(server);
        for (int i = 0; i < 240 && !lost.isEmpty(); i++) {
            TimeUnit.MILLISECONDS.sleep(500);
            lost = lost(server);
        }
        assertThat(lost).as("acknowledged and not so").isEmpty();
        String label = server.rows("select label from document_type where code = '" + people.ruledType() + "'")
                .get(0)
                .get(0);
        assertThat(Integer.parseInt(label.substring("Kept rule ".length())))
                .isBetween(people.ruleKept.get(), people.ruleAsked.get());
        HttpSession session = HttpSession.signIn(server.address(), PeopleAtWork.ADMINISTRATOR);
        assertThat(session.get("/api/audit/check")).doesNotContain("brokenAt").contains("rows");
        assertThat(server.rows("select words from comment where words like 'Kept comment%' group by 1"
                        + " having count(*) > 1"))
                .isEmpty();
        assertThat(server.rows("select d.id from document d left join document_version v on v.document_id = d.id"
                        + " where v.document_id is null and not d.awaited and d.source not like 'noted%'"
                        + " and exists (select 1 from arrival a where a.document_id = d.id)"))
                .as("papers without bytes")
                .isEmpty();
    }

    private List<String> lost(ServerProcess server) throws SQLException {
        List<String> lost = new ArrayList<>();
        for (int from = 0; from < people.kept.size(); from += 200) {
            List<PeopleAtWork.Kept> some = people.kept.subList(from, Math.min(people.kept.size(), from + 200));
            StringBuilder all = new StringBuilder();
            for (int i = 0; i < some.size(); i++) {
                all.append(i == 0 ? "" : " union all ")
                        .append("select ")
                        .append(i)
                        .append(", (")
                        .append(some.get(i).query())
                        .append(")::text");
            }
            for (List<String> row : server.rows(all.toString())) {
                PeopleAtWork.Kept one = some.get(Integer.parseInt(row.get(0)));
                if (!row.get(1).equals(one.answer())) {
                    lost.add(one + " but " + row.get(1));
                }
            }
        }
        return lost;
    }
}
