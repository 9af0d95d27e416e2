package app.denfold.server.letters;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.LetterValue;
import app.denfold.core.people.RelationKind;
import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.relations.PeopleAround;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What letters can say: by which names it is known, and what it is for one file on one day. */
@Component
public class KnownNames {

    /** Names of what is kept of each person. */
    public static final String EMAIL = "person.email";

    public static final String BIRTH_DATE = "person.birthDate";

    /** How names of facts begin. */
    public static final String FACT = "fact.";

    private final Kinds kinds;
    private final PersonFiles files;
    private final PeopleAround around;
    private final KnownOfPapers papers;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    KnownNames(
            Kinds kinds,
            PersonFiles files,
            PeopleAround around,
            KnownOfPapers papers,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.kinds = kinds;
        this.files = files;
        this.around = around;
        this.papers = papers;
        this.settings = settings;
        this.calendar = calendar;
    }

    /** Something a letter can say. @param label in the words of set-up */
    public record Name(String name, String label, AskedFor.Kind kind) {}

    /** Those that the viewer may know of, those of the person first. */
    public List<Name> all(Viewer viewer) {
        return Stream.concat(ofPeople().stream(), papers.all(viewer).stream()).toList();
    }

    /** All of them. */
    public List<Name> all() {
        return Stream.concat(ofPeople().stream(), papers.all().stream()).toList();
    }

    private List<Name> ofPeople() {
        Map<String, Name> names = new LinkedHashMap<>();
        add(names, "person.name", "the name", AskedFor.Kind.TEXT);
        add(names, "person.givenName", "the given name", AskedFor.Kind.TEXT);
        add(names, "person.familyName", "the family name", AskedFor.Kind.TEXT);
        add(names, BIRTH_DATE, "the birth date", AskedFor.Kind.DAY);
        add(names, "person.number", "the number of the file", AskedFor.Kind.TEXT);
        add(names, EMAIL, "the mail address", AskedFor.Kind.TEXT);
        add(names, "person.team", "the team", AskedFor.Kind.TEXT);
        for (PersonKind kind : kinds.all()) {
            kind.facts().forEach(f -> add(names, fact(f), f.label(), kindOf(f.form())));
        }
        for (RelationKind kind : RelationKind.values()) {
            add(names, relation(kind) + ".name", kind.label() + ": the name", AskedFor.Kind.TEXT);
            add(names, relation(kind) + ".email", kind.label() + ": the mail address", AskedFor.Kind.TEXT);
        }
        add(names, "practice.name", "the practice", AskedFor.Kind.TEXT);
        add(names, "practice.address", "the address of the practice", AskedFor.Kind.TEXT);
        add(names, "sender.name", "who writes", AskedFor.Kind.TEXT);
        add(names, "sender.email", "mail address of who writes", AskedFor.Kind.TEXT);
        add(names, "today", "today", AskedFor.Kind.DAY);
        add(names, "day", "the day it takes effect", AskedFor.Kind.DAY);
        return List.copyOf(names.values());
    }

    private static void add(Map<String, Name> names, String name, String label, AskedFor.Kind kind) {
        names.putIfAbsent(name, new Name(name, label, kind));
    }

    private static String fact(FactDefinition fact) {
        return FACT + fact.name();
    }

    private static String relation(RelationKind kind) {
        return kind.name().toLowerCase(Locale.ROOT);
    }

    private static AskedFor.Kind kindOf(FactDefinition.Form form) {
        return switch (form) {
            case NUMBER -> AskedFor.Kind.NUMBER;
            case DATE -> AskedFor.Kind.DAY;
            case TEXT, CHOICE, OPEN_CHOICE, YES_NO, PERSON -> AskedFor.Kind.TEXT;
        };
    }

    /** Their kinds by name. */
    public Map<String, AskedFor.Kind> kinds() {
        return all().stream().collect(Collectors.toMap(Name::name, Name::kind, (first, again) -> first));
    }

    /**
     * What is known of a file.
     *
     * @param viewer who is told only of those around the person, and of the facts, that they may know of
     * @param writer whose name stands under the letter
     * @param day on which the letter takes effect: facts are those that hold then
     * @param wanted names that the letter says
     */
    @Transactional(readOnly = true)
    public Map<String, LetterValue> of(
            Viewer viewer, Viewer writer, PersonFile file, LocalDate day, Set<String> wanted) {
        Map<String, LetterValue> known = new HashMap<>(papers.of(viewer, file, day, wanted));
        text(known, "person.name", file.name());
        text(known, "person.givenName", file.givenName());
        text(known, "person.familyName", file.familyName());
        if (file.birthDate() != null) {
            known.put(BIRTH_DATE, LetterValue.day(file.birthDate()));
        }
        text(known, "person.number", file.number());
        text(known, EMAIL, file.email());
        text(known, "person.team", file.team());
        Map<String, String> facts = file.factsOn(day);
        visible(viewer, file).forEach(f -> fact(known, f, facts.get(f.name())));
        around.around(viewer, file.id()).forEach(one -> {
            RelationKind kind = one.kind();
            if (kind != null) {
                known.putIfAbsent(relation(kind) + ".name", LetterValue.text(one.name()));
                String email = one.email();
                if (email != null) {
                    known.putIfAbsent(relation(kind) + ".email", LetterValue.text(email));
                }
            }
        });
        PracticeLook look = settings.look();
        text(known, "practice.name", look.name());
        text(known, "practice.address", String.join(", ", look.address().lines().toList()));
        text(known, "sender.name", writer.name());
        text(known, "sender.email", writer.email());
        known.put("today", LetterValue.day(calendar.today()));
        known.put("day", LetterValue.day(day));
        return known;
    }

    private static void text(Map<String, LetterValue> known, String name, @Nullable String text) {
        if (text != null && !text.isBlank()) {
            known.put(name, LetterValue.text(text));
        }
    }

    private List<FactDefinition> visible(Viewer viewer, PersonFile file) {
        return kinds.kind(file.kind()).facts().stream()
                .filter(f -> viewer.maySeeFact(file.kind(), f.name()))
                .toList();
    }

    /** Those of them that a letter's writer can tell the file, where it does not know them. */
    public Set<String> keepable(Viewer viewer, PersonFile file) {
        Set<String> names = visible(viewer, file).stream()
                .filter(f -> f.form() != FactDefinition.Form.PERSON && f.form() != FactDefinition.Form.YES_NO)
                .map(KnownNames::fact)
                .collect(Collectors.toCollection(HashSet::new));
        names.add(EMAIL);
        names.add(BIRTH_DATE);
        return names;
    }

    private void fact(Map<String, LetterValue> known, FactDefinition fact, @Nullable String value) {
        if (value == null || value.isBlank()) {
            return;
        }
        known.put(
                fact(fact),
                switch (fact.form()) {
                    case NUMBER -> new LetterValue.Number(new BigDecimal(value));
                    case DATE -> LetterValue.day(LocalDate.parse(value));
                    case PERSON -> LetterValue.text(files.nameOf(value));
                    case TEXT, CHOICE, OPEN_CHOICE, YES_NO -> LetterValue.text(value);
                });
    }
}
