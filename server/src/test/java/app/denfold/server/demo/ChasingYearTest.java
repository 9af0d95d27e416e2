package app.denfold.server.demo;

import static app.denfold.server.Patience.await;
import static app.denfold.server.chasing.planned.ChasingPractice.plan;
import static app.denfold.server.chasing.planned.ChasingPractice.who;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.SlotCourse;
import app.denfold.core.rules.Status;
import app.denfold.server.Api;
import app.denfold.server.MovableClock;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import app.denfold.server.access.Actor;
import app.denfold.server.chasing.planned.ChasingPractice;
import app.denfold.server.chasing.planned.MorningRun;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.coverage.slots.RecomputeSlots;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.TestPropertySource;

/** A year of the demo practice, morning by morning, against the rules computed day by day; on a server of its own. */
@ServerTest
@Import(MovableClock.class)
@TestPropertySource(properties = "denfold.demo.everyone=false")
class ChasingYearTest {

    private static final int DAYS = 365;
    private static final int AHEAD = -30;
    private static final int AFTER = 9;

    @Autowired
    TestPractice practice;

    @Autowired
    PersonFiles files;

    @Autowired
    DemoFiles papers;

    @Autowired
    EvaluateFile evaluate;

    @Autowired
    RecomputeSlots slots;

    @Autowired
    MorningRun morning;

    @Autowired
    MovableClock clock;

    @Autowired
    PracticeCalendar calendar;

    @Autowired
    JdbcClient jdbc;

    /** What is to be told: written as file, requirement, step and the day from which it counts. */
    private final Set<String> planned = new TreeSet<>();

    private final List<PersonFile> people = new ArrayList<>();

    @Test
    void everyLapseIsToldAsPlannedOnceAndNobodyTwiceADay() throws Exception {
        LocalDate first = calendar.today();
        DemoPeople.of(first, false).forEach(p -> people.add(files.open(p, true, Actor.system("Demo"))));
        people.forEach(p -> papers.fill(p, first));
        setUpPlan(practice.administrator());

        String ahead = "";
        for (int i = 0; i < DAYS; i++) {
            expect(calendar.today());
            slots.roll();
            if (i == 0) {
                ahead = wholeYearAhead(first);
            }
            morning.run();
            assertThat(morning.run()).as("twice on one day").isZero();
            await().until(() -> count("select count(*) from notice where state in ('QUEUED', 'SENDING')") == 0);
            clock.pass(1);
        }

        assertThat(told()).isEqualTo(planned).hasSizeGreaterThan(60);
        assertThat(toldByDay())
                .as("morning by morning comes to what was worked out on the first day for the whole year")
                .isEqualTo(ahead);
        assertThat(count("select count(*) from (select mailbox, queued_on from notice where mailbox is not null"
                        + " group by mailbox, queued_on having count(*) > 1) twice"))
                .isZero();
        assertThat(count("select count(*) from told where why = '' or notice_id is null"))
                .isZero();
        assertThat(count("select count(*) from notice where mailbox is not null and state <> 'SENT'"))
                .isZero();
    }

    private int count(String sql) {
        return jdbc.sql(sql).query(Integer.class).single();
    }

    private void setUpPlan(Api api) throws Exception {
        ChasingPractice chasing = new ChasingPractice(api);
        Map<String, Object> broker = who("OUTSIDE", "name", "Lorcan Brake", "address", "broker@hallam.example");
        Map<String, Object> ahead = chasing.step("LAPSE", AHEAD, broker);
        Map<String, Object> after = chasing.step("LAPSE", AFTER, broker);
        ahead.put("id", "ahead");
        after.put("id", "after");
        Map<String, Object> everything = plan("employees", List.of(), ahead, after);
        everything.put("scope", Map.of("kinds", List.of(), "requirements", List.of(), "types", List.of()));
        chasing.add(everything);
    }

    /** What the rules say of this day. On the first day, all that was to be told before and still makes sense. */
    private void expect(LocalDate day) {
        for (PersonFile person : people) {
            KnownFile known = KnownFile.of(
                    evaluate.allRules().book(),
                    evaluate.persons(List.of(person.id())).get(person.id()),
                    day);
            for (SlotCourse course : known.slots()) {
                RequirementAnswer answer = course.on(day);
                LocalDate last = answer.coveredThrough();
                boolean covered = answer.status() == Status.ON_FILE || answer.status() == Status.EXPIRING;
                boolean lapsed = answer.status() == Status.IN_GRACE || answer.status() == Status.LAPSED;
                if (last != null && answer.renewal() == Renewal.NONE) {
                    if (covered && !day.isBefore(last.plusDays(AHEAD))) {
                        planned.add(line(person.id(), answer.requirement(), "ahead", last));
                    } else if (lapsed && !day.isBefore(last.plusDays(AFTER))) {
                        planned.add(line(person.id(), answer.requirement(), "after", last));
                    }
                }
            }
        }
    }

    private static String line(UUID file, String requirement, String step, LocalDate last) {
        return file + " " + requirement + " " + step + " " + last;
    }

    private Set<String> told() {
        return new TreeSet<>(jdbc.sql("select * from told")
                .query((row, n) -> line(
                        row.getObject("file_id", UUID.class),
                        row.getString("requirement"),
                        row.getString("step"),
                        row.getObject("anchor", Date.class).toLocalDate()))
                .list());
    }

    private String toldByDay() {
        return String.join(
                "\n",
                jdbc
                        .sql("select told_on, file_id, requirement, step from told")
                        .query((row, n) -> row.getString(1) + " " + row.getString(2) + " " + row.getString(3) + " "
                                + row.getString(4))
                        .list()
                        .stream()
                        .sorted()
                        .toList());
    }

    /** The same as worked out on the first day. */
    private String wholeYearAhead(LocalDate first) {
        return String.join(
                "\n",
                morning.ahead(first, first.plusDays(DAYS - 1L)).stream()
                        .flatMap(d -> d.mails().stream()
                                .flatMap(m -> m.tellings().stream())
                                .map(t -> d.day() + " " + t.turn().file() + " "
                                        + t.turn().thing().requirement() + " "
                                        + t.step().id()))
                        .sorted()
                        .toList());
    }
}
