package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Whole evaluations agree with the naive evaluator on thousands of random small worlds. */
class AgainstDayByDayTest {

    private static final LocalDate WORLD_FIRST = RandomScenario.FIRST.minusDays(80);
    private static final LocalDate WORLD_LAST = RandomScenario.FIRST.plusDays(430);
    private final Set<Status> seen = EnumSet.noneOf(Status.class);

    @Test
    void everyAnswerEqualsTheWalkedOne() {
        for (long seed = 0; seed < 3_000; seed++) {
            RandomScenario world = new RandomScenario(seed);
            RuleBook book = world.book();
            Person person = world.person();
            LocalDate on = world.day();
            LocalDate known = seed % 3 == 0 ? world.day() : on;
            compare(seed, book, person, on, known);
        }
        assertThat(seen).containsExactlyInAnyOrder(Status.values());
    }

    private void compare(long seed, RuleBook book, Person person, LocalDate on, LocalDate known) {
        KnownFile file = KnownFile.of(book, person, known);
        DayByDay naive = new DayByDay(book, person, known, WORLD_FIRST, WORLD_LAST);
        FileStanding standing = file.on(on);
        int i = 0;
        for (Checklist list : book.checklists()) {
            for (Requirement requirement : list.requirements()) {
                RequirementAnswer answer = standing.requirements().get(i++);
                seen.add(answer.status());
                String what = "seed " + seed + ", " + requirement + " on " + on + " known " + known;
                assertThat(answer.status()).as(what).isEqualTo(naive.status(list, requirement, on));
                assertThat(answer.renewal()).as(what).isEqualTo(naive.renewal(list, requirement, on));
                assertThat(answer.nextChange()).as(what).isEqualTo(naive.nextChange(list, requirement, on));
                file.slots().get(i - 1).since(on).ifPresent(since -> {
                    assertThat(naive.status(list, requirement, since)).as(what).isEqualTo(answer.status());
                    assertThat(naive.status(list, requirement, since.minusDays(1)))
                            .as(what)
                            .isNotEqualTo(answer.status());
                });
            }
        }
        assertThat(standing.isClear()).as("seed " + seed).isEqualTo(naive.isClear(on));
        assertThat(standing.clearThrough()).as("seed " + seed).isEqualTo(walkedClearThrough(naive, on));
    }

    private static ClearThrough walkedClearThrough(DayByDay naive, LocalDate on) {
        if (!naive.isClear(on)) {
            return new ClearThrough.NotClear();
        }
        for (LocalDate day = on; !day.isAfter(WORLD_LAST); day = day.plusDays(1)) {
            if (!naive.isClear(day)) {
                return new ClearThrough.Through(day.minusDays(1));
            }
        }
        return new ClearThrough.NeverEnds();
    }

    @Test
    void forecastCountsTheChangesThatWalkingFinds() {
        for (long seed = 0; seed < 60; seed++) {
            RandomScenario world = new RandomScenario(seed);
            RuleBook book = world.book();
            Person person = world.person();
            LocalDate today = world.day();
            DayByDay naive = new DayByDay(book, person, today, WORLD_FIRST, WORLD_LAST);
            Forecast forecast = Forecast.of(java.util.List.of(KnownFile.of(book, person, today)), today, 6);
            for (Forecast.Week week : forecast.weeks()) {
                for (Status status : Status.values()) {
                    assertThat(week.changesTo().getOrDefault(status, 0))
                            .as("seed " + seed + " " + week.days() + " " + status)
                            .isEqualTo(walkedChanges(naive, week, status));
                }
            }
        }
    }

    private static int walkedChanges(DayByDay naive, Forecast.Week week, Status status) {
        int count = 0;
        for (Checklist list : naive.checklists()) {
            for (Requirement r : list.requirements()) {
                for (int i = 0; i < 7; i++) {
                    LocalDate day = week.days().firstDay().orElseThrow().plusDays(i);
                    Status now = naive.status(list, r, day);
                    count += now == status && naive.status(list, r, day.minusDays(1)) != now ? 1 : 0;
                }
            }
        }
        return count;
    }
}
