package app.denfold.server.keeping;

import app.denfold.core.keeping.KeepingRules;
import app.denfold.core.keeping.KeepingRules.KeptUntil;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.keeping.LeftFilesStore.LeftFile;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Which files have been kept for as long as the rules ask. Whether somebody holds one is asked apart. */
@Component
class FilesToLeave {

    private final LeftFilesStore left;
    private final Kinds kinds;
    private final Catalog catalog;
    private final PracticeCalendar calendar;

    FilesToLeave(LeftFilesStore left, Kinds kinds, Catalog catalog, PracticeCalendar calendar) {
        this.left = left;
        this.kinds = kinds;
        this.catalog = catalog;
        this.calendar = calendar;
    }

    /** @param rule that decided, in words */
    record Due(LeftFile file, String kindLabel, LocalDate keptUntil, String rule) {}

    /** Those that left first first. */
    List<Due> under(KeepingRules rules) {
        LocalDate today = calendar.today();
        Map<String, String> labels =
                kinds.all().stream().collect(Collectors.toMap(PersonKind::code, PersonKind::label));
        return left.ofKinds(rules.monthsByKind(), today).stream()
                .flatMap(f -> due(rules, f, today, labels).stream())
                .toList();
    }

    Optional<Due> one(KeepingRules rules, UUID fileId) {
        LocalDate today = calendar.today();
        Map<String, String> labels =
                kinds.all().stream().collect(Collectors.toMap(PersonKind::code, PersonKind::label));
        return left.file(fileId, today).flatMap(f -> due(rules, f, today, labels));
    }

    private Optional<Due> due(KeepingRules rules, LeftFile file, LocalDate today, Map<String, String> labels) {
        String kind = labels.getOrDefault(file.kind(), file.kind());
        return rules.until(file.kind(), file.leftOn(), file.types())
                .filter(until -> until.isOverOn(today))
                .map(until -> new Due(file, kind, until.day(), words(rules, file, kind, until)));
    }

    private String words(KeepingRules rules, LeftFile file, String kind, KeptUntil until) {
        return until.type()
                .map(type -> catalog.rules().type(type).label() + ": "
                        + period(rules.monthsByType().getOrDefault(type, 0)))
                .orElseGet(() -> kind + ": " + period(rules.monthsByKind().getOrDefault(file.kind(), 0)));
    }

    private static String period(int months) {
        return KeepingPeriods.words(months) + " after the last day";
    }
}
