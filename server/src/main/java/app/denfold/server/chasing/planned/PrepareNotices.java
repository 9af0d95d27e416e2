package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeHistory;
import app.denfold.core.notices.NoticeLetter;
import app.denfold.core.notices.NoticeWords;
import app.denfold.core.notices.Plan;
import app.denfold.core.notices.PlanStep;
import app.denfold.core.notices.Watched;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.chasing.history.KnownHistory;
import app.denfold.server.chasing.plans.PlacesOfNotices;
import app.denfold.server.chasing.plans.SendingDays;
import app.denfold.server.chasing.plans.WordsOfNotices;
import app.denfold.server.people.Fact;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.PersonForRules;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.relations.PeopleAround;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads what plans are worked out from, in a fixed number of reads however many people there are. */
@Component
class PrepareNotices {

    /** Stands in a text where the link will be, until the mail has one. */
    static final String LINK_TO_COME = "\u0002link\u0002";

    private static final int FILES_AT_ONCE = 1_000;

    private static final String LANGUAGE = "language";

    private final WatchedThings things;
    private final KnownHistory history;
    private final WordsOfNotices words;
    private final PlacesOfNotices places;
    private final SendingDays days;
    private final PersonFiles files;
    private final PeopleAround around;
    private final Kinds kinds;
    private final Accounts accounts;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    PrepareNotices(
            WatchedThings things,
            KnownHistory history,
            WordsOfNotices words,
            PlacesOfNotices places,
            SendingDays days,
            PersonFiles files,
            PeopleAround around,
            Kinds kinds,
            Accounts accounts,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.things = things;
        this.history = history;
        this.words = words;
        this.places = places;
        this.days = days;
        this.files = files;
        this.around = around;
        this.kinds = kinds;
        this.accounts = accounts;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /** For all files, from today to a day, that one included. */
    @Transactional(readOnly = true)
    public PreparedNotices until(List<Plan> plans, LocalDate to) {
        return prepare(plans, things.of(plans, to));
    }

    /** For these files only. */
    @Transactional(readOnly = true)
    public PreparedNotices ofFiles(List<Plan> plans, Collection<UUID> fileIds) {
        return prepare(plans, things.ofFiles(plans, fileIds));
    }

    private PreparedNotices prepare(List<Plan> plans, List<Watched> watched) {
        List<UUID> ids = watched.stream()
                .map(Watched::file)
                .distinct()
                .map(UUID::fromString)
                .toList();
        Map<UUID, PersonFile> people = new HashMap<>();
        Map<UUID, PersonForRules> facts = new HashMap<>();
        for (int i = 0; i < ids.size(); i += FILES_AT_ONCE) {
            List<UUID> some = ids.subList(i, Math.min(ids.size(), i + FILES_AT_ONCE));
            files.files(some).forEach(f -> people.put(f.id(), f));
            files.forRules(some).forEach(f -> facts.put(f.id(), f));
        }
        NoticeHistory told = history.of(ids, calendar.today());
        WhoIsTold who = new WhoIsTold(known(ids, people, facts), calendar.today());
        return new PreparedNotices(plans, days.now().rules(), watched, told, people, who, source(people, facts));
    }

    private WhoIsTold.Known known(List<UUID> ids, Map<UUID, PersonFile> people, Map<UUID, PersonForRules> facts) {
        Map<String, Viewer> colleagues = new HashMap<>();
        accounts.staff().forEach(v -> colleagues.put(v.email().toLowerCase(Locale.ROOT), v));
        Map<UUID, String> languages = new HashMap<>();
        Map<UUID, Set<String>> naming = new HashMap<>();
        Map<String, Set<String>> personFacts = kinds.all().stream()
                .collect(Collectors.toMap(k -> k.code(), k -> k.facts().stream()
                        .filter(f -> f.form() == FactDefinition.Form.PERSON)
                        .map(FactDefinition::name)
                        .collect(Collectors.toSet())));
        LocalDate today = calendar.today();
        facts.forEach((id, known) -> {
            for (Fact fact : known.facts()) {
                if (fact.holdsOn(today)) {
                    if (fact.name().equals(LANGUAGE)) {
                        languages.put(id, language(fact.value()));
                    }
                    if (personFacts.getOrDefault(known.kind(), Set.of()).contains(fact.name())) {
                        naming.computeIfAbsent(id, i -> new LinkedHashSet<>()).add(fact.value());
                    }
                }
            }
        });
        Map<String, PersonFile> numbered = new HashMap<>();
        Set<String> numbers = naming.values().stream().flatMap(Set::stream).collect(Collectors.toSet());
        files.numbered(numbers).forEach(f -> numbered.put(f.number(), f));
        Map<UUID, List<PersonFile>> inCharge = new HashMap<>();
        naming.forEach((id, named) -> inCharge.put(
                id,
                named.stream().filter(numbered::containsKey).map(numbered::get).toList()));
        Map<UUID, List<PeopleAround.Near>> near = new HashMap<>();
        for (int i = 0; i < ids.size(); i += FILES_AT_ONCE) {
            near.putAll(around.near(ids.subList(i, Math.min(ids.size(), i + FILES_AT_ONCE))));
        }
        return new WhoIsTold.Known(people, near, inCharge, languages, colleagues, words.usualLanguage());
    }

    /** Of what people write as their language: a code or a name, in English or in the language itself. */
    private String language(String value) {
        String plain = value.strip().toLowerCase(Locale.ROOT);
        return plain.startsWith("de") || plain.startsWith("german")
                ? "de"
                : plain.startsWith("en") ? "en" : words.usualLanguage();
    }

    private NoticeLetter.Source source(Map<UUID, PersonFile> people, Map<UUID, PersonForRules> facts) {
        Map<String, Map<String, NoticeWords>> texts = words.byId();
        String usual = words.usualLanguage();
        String closing = settings.look().closing();
        PlacesOfNotices.Reading reading = places.reading();
        Map<String, Map<String, String>> values = new HashMap<>();
        return new NoticeLetter.Source() {
            @Override
            public NoticeWords words(String id, String language) {
                Map<String, NoticeWords> known = texts.getOrDefault(id, Map.of());
                NoticeWords usualOnes = known.getOrDefault(usual, new NoticeWords("", "{what is open}"));
                return known.getOrDefault(language, usualOnes);
            }

            @Override
            public Map<String, String> facts(String file) {
                return values.computeIfAbsent(file, id -> {
                    UUID uuid = UUID.fromString(id);
                    PersonFile person = people.get(uuid);
                    PersonForRules known = facts.get(uuid);
                    Map<String, String> all = new HashMap<>();
                    if (person != null && known != null) {
                        all.putAll(reading.of(person, known));
                    }
                    all.put(PlacesOfNotices.LINK, LINK_TO_COME);
                    return all;
                });
            }

            @Override
            public String name(String file) {
                PersonFile person = people.get(UUID.fromString(file));
                return person == null ? "" : person.name();
            }

            @Override
            public String closing() {
                return closing;
            }
        };
    }

    /** The text with its link. */
    String linked(String text, String secret) {
        return text.replace(LINK_TO_COME, address + "/told/" + secret);
    }

    /** The days before the furthest step of the plans. */
    static int furthestAhead(List<Plan> plans) {
        List<PlanStep> steps = new ArrayList<>();
        plans.forEach(p -> steps.addAll(p.steps()));
        return steps.stream().mapToInt(s -> -s.days()).filter(d -> d > 0).max().orElse(0);
    }
}
