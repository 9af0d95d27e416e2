package app.denfold.server.chasing.plans;

import app.denfold.core.notices.NoticeWords;
import app.denfold.server.people.Fact;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonForRules;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The places that words of notices may have, and what stands there for a person. Facts that are for few have none. */
@Component
public class PlacesOfNotices {

    /** Where the link to the page about the notice stands. */
    public static final String LINK = "link";

    private static final List<String> ALWAYS = List.of(
            NoticeWords.OPEN,
            NoticeWords.UNTIL,
            NoticeWords.PAPER,
            "given name",
            "family name",
            "full name",
            "number",
            "birth date",
            "team",
            "practice",
            LINK);

    private final Kinds kinds;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    PlacesOfNotices(Kinds kinds, PracticeSettings settings, PracticeCalendar calendar) {
        this.kinds = kinds;
        this.settings = settings;
        this.calendar = calendar;
    }

    /** Their names, as they are written in braces: those that always are, and then the facts of all kinds. */
    public List<String> names() {
        return Stream.concat(
                        ALWAYS.stream(),
                        kinds.all().stream()
                                .flatMap(k -> k.facts().stream())
                                .filter(f -> !f.sensitive())
                                .map(PlacesOfNotices::nameOf))
                .distinct()
                .toList();
    }

    private static String nameOf(FactDefinition fact) {
        return fact.label().strip().toLowerCase(Locale.ROOT);
    }

    /** What has to be read once, however many people it is then asked about. */
    public Reading reading() {
        Map<String, Map<String, FactDefinition>> open = new HashMap<>();
        for (PersonKind kind : kinds.all()) {
            open.put(
                    kind.code(),
                    kind.facts().stream()
                            .filter(f -> !f.sensitive())
                            .collect(Collectors.toMap(FactDefinition::name, f -> f)));
        }
        return new Reading(settings.name(), open, calendar.today());
    }

    /** @param open by kind and name, the facts that are not for few */
    public record Reading(String practice, Map<String, Map<String, FactDefinition>> open, LocalDate today) {

        /** What is known of a person, by the names of places. */
        public Map<String, String> of(PersonFile file, PersonForRules known) {
            Map<String, String> values = new HashMap<>();
            values.put("given name", file.givenName().isEmpty() ? file.familyName() : file.givenName());
            values.put("family name", file.familyName());
            values.put("full name", file.name());
            values.put("number", file.number());
            values.put("birth date", file.birthDate() == null ? "" : PracticeCalendar.words(file.birthDate()));
            values.put("team", file.team() == null ? "" : file.team());
            values.put("practice", practice);
            Map<String, FactDefinition> ofKind = open.getOrDefault(known.kind(), Map.of());
            for (Fact fact : known.facts()) {
                FactDefinition definition = ofKind.get(fact.name());
                if (definition != null && fact.holdsOn(today)) {
                    values.put(nameOf(definition), worded(definition, fact.value()));
                }
            }
            return values;
        }
    }

    private static String worded(FactDefinition fact, String value) {
        return fact.form() == FactDefinition.Form.DATE ? PracticeCalendar.words(LocalDate.parse(value)) : value;
    }
}
