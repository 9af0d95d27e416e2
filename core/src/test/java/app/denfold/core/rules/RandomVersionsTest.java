package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Random checklists that change in random ways on a random day: on every day a slot stands as the version in force says
 * by itself, and what is told of its course agrees with walking the days.
 */
class RandomVersionsTest {

    private static final LocalDate FIRST = RandomScenario.FIRST.minusDays(3);
    private static final int DAYS = RandomScenario.SPAN + 6;

    /** The older and the newer rules, each for its own days and alone, and both together. */
    private record Rules(RuleBook older, RuleBook newer, RuleBook both, LocalDate change) {

        static Rules of(RuleBook book, List<DocumentType> types, Random random) {
            LocalDate change = FIRST.plusDays(random.nextInt(DAYS));
            List<Checklist> before = new ArrayList<>();
            List<Checklist> after = new ArrayList<>();
            for (Checklist list : book.checklists()) {
                new Window(null, change.minusDays(1))
                        .intersect(list.inForce())
                        .ifPresent(w ->
                                before.add(new Checklist(list.code(), w, list.appliesWhen(), list.requirements())));
                new Window(change, null)
                        .intersect(list.inForce())
                        .ifPresent(w -> after.add(new Checklist(
                                list.code(), w, list.appliesWhen(), changed(list.requirements(), random))));
            }
            List<Checklist> all = new ArrayList<>(before);
            all.addAll(after);
            return new Rules(RuleBook.of(types, before), RuleBook.of(types, after), RuleBook.of(types, all), change);
        }

        /** Some left out, some with other days of warning and grace, in another order. */
        private static List<Requirement> changed(List<Requirement> requirements, Random random) {
            List<Requirement> result = new ArrayList<>();
            for (Requirement requirement : requirements) {
                if (random.nextInt(5) > 0) {
                    result.add(
                            random.nextBoolean()
                                    ? requirement
                                    : requirement.lead(random.nextInt(6)).grace(random.nextInt(6)));
                }
            }
            Collections.shuffle(result, random);
            return result;
        }

        RuleBook on(LocalDate day) {
            return day.isBefore(change) ? older : newer;
        }
    }

    @Test
    void eachDayIsJudgedByItsOwnVersion() {
        int compared = 0;
        for (long seed = 0; seed < 400; seed++) {
            RandomScenario world = new RandomScenario(seed);
            RuleBook book = world.book();
            Person person = world.person();
            Rules rules = Rules.of(book, typesOf(book), new Random(seed));
            LocalDate known = world.day();
            KnownFile file = KnownFile.of(rules.both, person, known);
            Map<RuleBook, Map<String, SlotCourse>> apart = new HashMap<>();
            for (RuleBook one : List.of(rules.older, rules.newer)) {
                apart.put(one, byKey(KnownFile.of(one, person, known)));
            }
            for (SlotCourse slot : file.slots()) {
                for (int i = 0; i < DAYS; i++) {
                    LocalDate day = FIRST.plusDays(i);
                    SlotCourse alone = apart.get(rules.on(day)).get(key(slot));
                    Status expected = alone == null ? Status.NOT_APPLICABLE : alone.statusOn(day);
                    if (!countsFromFirstAsked(slot, day)) {
                        compared++;
                        assertThat(slot.statusOn(day))
                                .as("seed " + seed + " " + key(slot) + " on " + day)
                                .isEqualTo(expected);
                    }
                }
                walk(slot, seed);
            }
        }
        assertThat(compared).isGreaterThan(10_000);
    }

    /** A due day counted from when it is first asked goes on through an unchanged version; alone it would begin anew. */
    private static boolean countsFromFirstAsked(SlotCourse slot, LocalDate day) {
        return slot.requirementOn(day).due() instanceof Due.FromApplies;
    }

    private static void walk(SlotCourse slot, long seed) {
        LocalDate last = FIRST.plusDays(DAYS);
        for (LocalDate day = FIRST; day.isBefore(last); day = day.plusDays(7)) {
            RequirementAnswer.Change next = slot.on(day).nextChange();
            LocalDate walked = day.plusDays(1);
            while (walked.isBefore(last) && slot.statusOn(walked) == slot.statusOn(day)) {
                walked = walked.plusDays(1);
            }
            if (walked.isBefore(last)) {
                assertThat(next)
                        .as("seed " + seed + " after " + day)
                        .isEqualTo(new RequirementAnswer.Change(walked, slot.statusOn(walked)));
            }
            for (SlotCourse.Stretch stretch : slot.stretches(FIRST, last)) {
                assertThat(slot.statusOn(stretch.window().firstDay().orElseThrow()))
                        .isEqualTo(stretch.status());
                assertThat(slot.statusOn(stretch.window().lastDay().orElseThrow()))
                        .isEqualTo(stretch.status());
            }
        }
    }

    private static Map<String, SlotCourse> byKey(KnownFile file) {
        Map<String, SlotCourse> slots = new HashMap<>();
        file.slots().forEach(slot -> slots.put(key(slot), slot));
        return slots;
    }

    private static String key(SlotCourse slot) {
        return slot.checklist() + "/" + slot.code();
    }

    private static List<DocumentType> typesOf(RuleBook book) {
        return List.of("a", "b", "c", "d", "e").stream()
                .filter(book::knows)
                .map(book::type)
                .toList();
    }
}
