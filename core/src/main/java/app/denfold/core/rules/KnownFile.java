package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A person's file as known on one day, ready to be asked about any day. Immutable once made; making it costs one pass
 * over the person's documents.
 */
public final class KnownFile {

    private final RuleBook book;
    private final Person person;
    private final LocalDate known;
    private final Map<String, List<KnownDocument>> existing = new HashMap<>();
    private final List<SlotCourse> slots;

    private KnownFile(RuleBook book, Person person, LocalDate known) {
        this.book = book;
        this.person = person;
        this.known = known;
        DaySet active = DaySet.of(person.active());
        String code = null;
        Validity validity = null;
        List<KnownDocument> ofType = null;
        for (Document document : person.documents()) {
            if (document.existsAt(known)) {
                // papers of one type often follow each other: look it up once
                if (validity == null || ofType == null || !document.type().equals(code)) {
                    code = document.type();
                    validity = book.type(code).validity();
                    ofType = existing.computeIfAbsent(code, type -> new ArrayList<>(4));
                }
                ofType.add(new KnownDocument(document, known, validity.endEdge(document, person.birthDate())));
            }
        }
        List<SlotCourse> courses = new ArrayList<>(book.lines().size());
        RuleBook.Line before = null;
        DaySet asked = DaySet.none();
        for (List<RuleBook.Line> lines : book.lines()) {
            List<RequirementDays> versions = new ArrayList<>(lines.size());
            for (RuleBook.Line line : lines) {
                if (before == null
                        || before.listCondition() != line.listCondition()
                        || !before.inForce().equals(line.inForce())) {
                    asked = active.intersect(line.inForce()).intersect(ConditionDays.of(line.listCondition(), person));
                }
                before = line;
                DaySet applies =
                        asked.intersect(ConditionDays.of(line.requirement().appliesWhen(), person));
                versions.add(new RequirementDays(this, line, applies));
            }
            courses.add(new SlotCourse(versions));
        }
        slots = Collections.unmodifiableList(courses);
    }

    /**
     * Only what was recorded on or before {@code known} exists.
     *
     * @throws IllegalArgumentException when a document's type is not in the book
     */
    public static KnownFile of(RuleBook book, Person person, LocalDate known) {
        return new KnownFile(book, person, known);
    }

    /** The same file as if one document had been accepted on a day. */
    public KnownFile supposingAccepted(String documentId, LocalDate day) {
        List<Document> documents = person.documents().stream()
                .map(d -> d.id().equals(documentId) ? d.accepted(day) : d)
                .toList();
        return of(
                book,
                new Person(
                        person.kind(),
                        person.birthDate(),
                        person.active(),
                        person.facts(),
                        person.waivers(),
                        documents),
                known);
    }

    Person person() {
        return person;
    }

    LocalDate known() {
        return known;
    }

    List<KnownDocument> existing(String type) {
        return existing.getOrDefault(type, List.of());
    }

    /** Every slot of every checklist, in their order, those included that never apply. */
    public List<SlotCourse> slots() {
        return slots;
    }

    /** How the file stands on a day. */
    public FileStanding on(LocalDate day) {
        List<RequirementAnswer> answers =
                slots.stream().map(slot -> slot.on(day)).toList();
        return FileStanding.of(day, known, answers, clearThrough(day));
    }

    /** The last day of the run of clear days that holds the day. */
    public ClearThrough clearThrough(LocalDate day) {
        int asked = DaySet.dayNumber(day);
        int firstUnclear = DaySet.NEVER_ENDS;
        for (SlotCourse slot : slots) {
            for (RequirementDays version : slot.versions()) {
                if (version.requirement().level() == Requirement.Level.BLOCKING) {
                    firstUnclear = Math.min(firstUnclear, version.firstOpenDay(asked, firstUnclear));
                }
            }
            if (firstUnclear == asked) {
                return new ClearThrough.NotClear();
            }
        }
        return firstUnclear == DaySet.NEVER_ENDS
                ? new ClearThrough.NeverEnds()
                : new ClearThrough.Through(LocalDate.ofEpochDay(firstUnclear - 1L));
    }

    /** The active spans, as they were listed. */
    List<Window> spans() {
        return person.active();
    }
}
