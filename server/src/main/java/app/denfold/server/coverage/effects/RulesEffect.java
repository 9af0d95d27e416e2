package app.denfold.server.coverage.effects;

import app.denfold.core.rules.FileStanding;
import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.setup.SetUpRules;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a change of rules would do to the files there are, before it is saved. */
@Service
class RulesEffect {

    private static final int FILES_AT_ONCE = 500;

    /** How many persons are listed by name; the counts are of all. */
    private static final int MOST_NAMED = 200;

    private final EvaluateFile evaluate;
    private final SetUpRules setUp;
    private final PersonFiles files;
    private final PracticeCalendar calendar;

    RulesEffect(EvaluateFile evaluate, SetUpRules setUp, PersonFiles files, PracticeCalendar calendar) {
        this.evaluate = evaluate;
        this.setUp = setUp;
        this.files = files;
        this.calendar = calendar;
    }

    /**
     * @param on the day it is told for: today, or the first day in force if that lies ahead
     * @param files how many files there are
     * @param touched in how many some slot would change
     * @param noLongerClear those who would stop being clear
     * @param becomeClear those who would begin to be clear
     */
    record EffectAnswer(
            LocalDate on,
            int files,
            int touched,
            int noLongerClearCount,
            int becomeClearCount,
            List<AffectedFile> noLongerClear,
            List<AffectedFile> becomeClear) {}

    /** @param slots the slots that change, each as {@code First aid certificate: on file → missing} */
    record AffectedFile(UUID id, String number, String name, List<String> slots) {}

    @Transactional(readOnly = true)
    EffectAnswer ofChecklist(Viewer viewer, String code, SetUpRules.ChecklistDetails details) {
        viewer.requireAdministrator();
        LocalDate today = calendar.today();
        LocalDate day = details.fromDay() != null && details.fromDay().isAfter(today) ? details.fromDay() : today;
        return compare(setUp.current(), setUp.supposing(code, details), day);
    }

    @Transactional(readOnly = true)
    EffectAnswer ofType(Viewer viewer, String code, SetUpRules.TypeDetails details) {
        viewer.requireAdministrator();
        return compare(setUp.current(), setUp.supposing(code, details), calendar.today());
    }

    private EffectAnswer compare(Catalog.Rules before, Catalog.Rules after, LocalDate day) {
        Tally tally = new Tally();
        List<UUID> all = files.allIds();
        for (int i = 0; i < all.size(); i += FILES_AT_ONCE) {
            for (Map.Entry<UUID, Person> person : evaluate.persons(
                            all.subList(i, Math.min(all.size(), i + FILES_AT_ONCE)))
                    .entrySet()) {
                LocalDate known = calendar.today();
                FileStanding old =
                        KnownFile.of(before.book(), person.getValue(), known).on(day);
                FileStanding next =
                        KnownFile.of(after.book(), person.getValue(), known).on(day);
                tally.take(person.getKey(), old, next, after);
            }
        }
        return new EffectAnswer(
                day, all.size(), tally.touched, tally.lost, tally.won, named(tally.losers), named(tally.winners));
    }

    private static final class Tally {
        private int touched;
        private int lost;
        private int won;
        private final Map<UUID, List<String>> losers = new java.util.LinkedHashMap<>();
        private final Map<UUID, List<String>> winners = new java.util.LinkedHashMap<>();

        void take(UUID file, FileStanding old, FileStanding next, Catalog.Rules rules) {
            List<String> changes = changes(old, next, rules);
            touched += changes.isEmpty() ? 0 : 1;
            if (old.isClear() && !next.isClear()) {
                lost++;
                note(losers, file, changes);
            } else if (!old.isClear() && next.isClear()) {
                won++;
                note(winners, file, changes);
            }
        }

        private static void note(Map<UUID, List<String>> list, UUID file, List<String> changes) {
            if (list.size() < MOST_NAMED) {
                list.put(file, changes);
            }
        }

        private static List<String> changes(FileStanding old, FileStanding next, Catalog.Rules rules) {
            Map<String, Status> before = new HashMap<>();
            old.requirements().forEach(r -> before.put(r.checklist() + "/" + r.requirement(), r.status()));
            List<String> changes = new ArrayList<>();
            for (RequirementAnswer now : next.requirements()) {
                Status was = before.getOrDefault(now.checklist() + "/" + now.requirement(), Status.NOT_APPLICABLE);
                before.remove(now.checklist() + "/" + now.requirement());
                if (was != now.status()) {
                    changes.add(rules.label(now.checklist(), now.requirement()) + ": " + words(was) + " → "
                            + words(now.status()));
                }
            }
            before.forEach((key, was) -> {
                if (was != Status.NOT_APPLICABLE) {
                    changes.add(rules.requirementLabels().getOrDefault(key, key) + ": " + words(was)
                            + " → no longer asked");
                }
            });
            return changes;
        }

        private static String words(Status status) {
            return status.code().replace('-', ' ');
        }
    }

    private List<AffectedFile> named(Map<UUID, List<String>> affected) {
        Map<UUID, PersonFile> byId = new HashMap<>();
        files.files(affected.keySet()).forEach(f -> byId.put(f.id(), f));
        return affected.entrySet().stream()
                .map(e -> new AffectedFile(
                        e.getKey(),
                        Objects.requireNonNull(byId.get(e.getKey())).number(),
                        Objects.requireNonNull(byId.get(e.getKey())).name(),
                        e.getValue()))
                .toList();
    }
}
