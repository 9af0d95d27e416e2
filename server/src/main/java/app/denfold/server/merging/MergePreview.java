package app.denfold.server.merging;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.ActiveSpan;
import app.denfold.server.people.Fact;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.PersonState;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Two files side by side, before they are merged. */
@Component
class MergePreview {

    private final MergePeople merge;
    private final PersonFiles files;
    private final Kinds kinds;

    MergePreview(MergePeople merge, PersonFiles files, Kinds kinds) {
        this.merge = merge;
        this.files = files;
        this.kinds = kinds;
    }

    /** @param along what lies in the file, in words */
    record MergeSide(UUID id, int version, String number, String name, List<String> along) {}

    /**
     * One thing known of the person.
     *
     * @param name by which its value is chosen
     * @param kept and @param gone in words; null where a file does not tell
     */
    record MergeRow(
            String name,
            String label,
            @Nullable String kept,
            @Nullable String gone) {}

    /** @param hindrances what keeps the files from being merged now, in sentences */
    record MergePreviewAnswer(MergeSide kept, MergeSide gone, List<MergeRow> rows, List<String> hindrances) {}

    @Transactional(readOnly = true)
    MergePreviewAnswer of(Viewer viewer, UUID keptId, UUID goneId) {
        PersonFile[] both = merge.both(viewer, keptId, goneId);
        List<FactDefinition> facts = kinds.kind(both[0].kind()).facts();
        Map<String, String> kept = words(both[0].state(), facts);
        Map<String, String> gone = words(both[1].state(), facts);
        List<MergeRow> rows = new ArrayList<>();
        labels(facts).forEach((name, label) -> {
            if (kept.containsKey(name) || gone.containsKey(name)) {
                rows.add(new MergeRow(name, label, kept.get(name), gone.get(name)));
            }
        });
        return new MergePreviewAnswer(side(both[0]), side(both[1]), rows, merge.hindrances(viewer, goneId, keptId));
    }

    private MergeSide side(PersonFile file) {
        return new MergeSide(file.id(), file.version(), file.number(), file.name(), merge.along(file.id()));
    }

    private static Map<String, String> labels(List<FactDefinition> facts) {
        Map<String, String> labels = new LinkedHashMap<>();
        labels.put("givenName", "Given name");
        labels.put("familyName", "Family name");
        labels.put("birthDate", "Birth date");
        labels.put("email", "Mail address");
        labels.put("team", "Team");
        labels.put("activeSpans", "Active");
        for (FactDefinition fact : facts) {
            labels.put(PersonState.FACT + fact.name(), fact.label());
        }
        return labels;
    }

    private Map<String, String> words(PersonState state, List<FactDefinition> facts) {
        Set<String> ofPersons = facts.stream()
                .filter(f -> f.form() == FactDefinition.Form.PERSON)
                .map(FactDefinition::name)
                .collect(Collectors.toSet());
        Map<String, String> words = new LinkedHashMap<>();
        state.values().forEach((name, value) -> words.put(name, words(value, ofPersons)));
        return words;
    }

    private String words(Object value, Set<String> ofPersons) {
        if (value instanceof LocalDate day) {
            return PracticeCalendar.words(day);
        }
        if (value instanceof List<?> list) {
            return String.join("; ", list.stream().map(v -> words(v, ofPersons)).toList());
        }
        if (value instanceof ActiveSpan span) {
            return days(span.fromDay(), span.toDay());
        }
        if (value instanceof Fact fact) {
            return (ofPersons.contains(fact.name()) ? files.nameOf(fact.value()) : fact.value())
                    + (fact.fromDay() == null && fact.toDay() == null
                            ? ""
                            : " (" + days(fact.fromDay(), fact.toDay()) + ")");
        }
        return String.valueOf(value);
    }

    private static String days(@Nullable LocalDate from, @Nullable LocalDate to) {
        if (from == null) {
            return to == null ? "always" : "until " + PracticeCalendar.words(to);
        }
        String since = PracticeCalendar.words(from);
        return to == null ? "since " + since : since + " to " + PracticeCalendar.words(to);
    }
}
