package app.denfold.server.arrivals.proposing;

import app.denfold.core.filing.Clues;
import app.denfold.core.filing.FindFields;
import app.denfold.core.filing.FoundDates;
import app.denfold.core.filing.FoundPerson;
import app.denfold.core.filing.KnownPerson;
import app.denfold.core.filing.Proposal;
import app.denfold.core.filing.ProposePerson;
import app.denfold.core.filing.ProposeType;
import app.denfold.core.filing.ProposeType.Given;
import app.denfold.paper.reading.PageFacts;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.content.Contents;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.DayOrder;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** What is proposed for an arrival, by what was read on its pages and how it came. */
@Component
public class ProposeForArrival {

    private static final int MOST = 5;

    private final Readings readings;
    private final Contents contents;
    private final PersonFiles files;
    private final Catalog catalog;
    private final LearnedTypeStore learning;
    private final PracticeCalendar calendar;
    private final PracticeSettings settings;

    ProposeForArrival(
            Readings readings,
            Contents contents,
            PersonFiles files,
            Catalog catalog,
            LearnedTypeStore learning,
            PracticeCalendar calendar,
            PracticeSettings settings) {
        this.readings = readings;
        this.contents = contents;
        this.files = files;
        this.catalog = catalog;
        this.learning = learning;
        this.calendar = calendar;
        this.settings = settings;
    }

    /** A person it may be about. @param confidence from 0 to 1 */
    record ProposedPerson(
            UUID fileId,
            String name,
            String number,
            @Nullable LocalDate birthDate,
            @Nullable String team,
            double confidence,
            String reason,
            boolean preselected) {}

    record ProposedType(String code, String label, double confidence, String reason, boolean preselected) {}

    record ProposedDay(LocalDate day, double confidence, String reason, boolean preselected) {}

    /** A value for a field of a type. */
    record ProposedField(String type, String name, String value, String reason) {}

    /**
     * @param signedOn days on which it says to have been signed; never preselected, for a signature must be seen
     * @param pagesWithoutText how many pages hold no readable text, empty ones left out
     */
    public record Proposals(
            List<ProposedPerson> persons,
            List<ProposedType> types,
            List<ProposedDay> documentDate,
            List<ProposedDay> effectiveDate,
            List<ProposedDay> statedExpiry,
            List<ProposedDay> signedOn,
            List<ProposedField> fields,
            NewPerson newPerson,
            int pagesWithoutText) {}

    /**
     * What paper and mail tell of a person who has no file yet.
     *
     * @param identifiers other numbers of theirs
     */
    public record NewPerson(
            @Nullable String givenName,
            @Nullable String familyName,
            @Nullable LocalDate birthDate,
            List<String> identifiers,
            @Nullable String email) {}

    public Proposals of(Viewer viewer, Arrival arrival) {
        List<ReadPage> pages = read(arrival);
        Clues clues = clues(arrival, pages);
        List<FoundDates.Found> days = FoundDates.in(clues.text(), order());
        LocalDate received = calendar.dayOf(arrival.receivedAt());
        return new Proposals(
                persons(arrival, clues),
                types(viewer, arrival, clues),
                days(days, FoundDates.Role.DOCUMENT, received),
                days(days, FoundDates.Role.EFFECTIVE, received),
                days(days, FoundDates.Role.EXPIRY, received),
                signed(days, received),
                fields(viewer, pages, clues),
                newPerson(arrival, clues),
                (int) pages.stream()
                        .filter(p -> p.textFrom() == PageFacts.TextFrom.NONE && !p.blank())
                        .count());
    }

    private NewPerson newPerson(Arrival arrival, Clues clues) {
        FoundPerson.Found found = FoundPerson.in(clues.text(), order());
        return new NewPerson(
                found.givenName(),
                found.familyName(),
                found.birthDate(),
                found.identifiers(),
                found.email() == null ? arrival.sender() : found.email());
    }

    /** For every type that has fields, since the person may still choose another one. */
    private List<ProposedField> fields(Viewer viewer, List<ReadPage> pages, Clues clues) {
        Map<String, String> form = form(pages);
        return catalog.types().stream()
                .filter(t -> viewer.maySee(List.of(t.code())))
                .flatMap(t -> FindFields.in(t.fields(), clues, form).entrySet().stream()
                        .map(e -> new ProposedField(
                                t.code(),
                                e.getKey(),
                                e.getValue().value(),
                                e.getValue().reason())))
                .toList();
    }

    /** Values that were found of the fields of a type, for a paper that is filed without a look. */
    public Map<String, String> fieldsOf(Arrival arrival, String type) {
        List<ReadPage> pages = read(arrival);
        Map<String, String> values = new LinkedHashMap<>();
        FindFields.in(catalog.type(type).fields(), clues(arrival, pages), form(pages))
                .forEach((name, found) -> values.put(name, found.value()));
        return values;
    }

    private static Map<String, String> form(List<ReadPage> pages) {
        Map<String, String> form = new LinkedHashMap<>();
        pages.forEach(p -> p.form().forEach(form::putIfAbsent));
        return form;
    }

    /** How the practice means days that could be two. */
    private FoundDates.Order order() {
        return settings.dayOrder() == DayOrder.DAY_FIRST ? FoundDates.Order.DAY_FIRST : FoundDates.Order.MONTH_FIRST;
    }

    /** Keeps with the arrival what is preselected, for the list. */
    public void renew(Arrival arrival) {
        Clues clues = clues(arrival, read(arrival));
        UUID file = persons(arrival, clues).stream()
                .filter(ProposedPerson::preselected)
                .map(ProposedPerson::fileId)
                .findFirst()
                .orElse(null);
        String type = types(arrival, clues, catalog.types()).stream()
                .filter(Proposal::preselected)
                .map(Proposal::value)
                .findFirst()
                .orElse(null);
        LocalDate dated = FoundDates.propose(
                        FoundDates.in(clues.text(), order()),
                        FoundDates.Role.DOCUMENT,
                        calendar.dayOf(arrival.receivedAt()))
                .stream()
                .filter(Proposal::preselected)
                .map(Proposal::value)
                .findFirst()
                .orElse(null);
        arrival.propose(file, type, dated);
    }

    /** All that was read on it. */
    public String text(Arrival arrival) {
        return clues(arrival, read(arrival)).text();
    }

    /** What was read on its pages, as they now stand; pages that are not read yet are left out. */
    public List<ReadPage> read(Arrival arrival) {
        return readEach(arrival.pages(contents.content(arrival.sha256()).pages())).stream()
                .filter(Objects::nonNull)
                .toList();
    }

    /** What was read on these pages, in their order; null for a page that is not read yet or could not be. */
    public List<ReadPage> readEach(List<PageRef> refs) {
        Map<String, Map<Integer, ReadPage>> byHash = new HashMap<>();
        readings.pages(refs.stream().map(PageRef::sha256).distinct().toList())
                .forEach((sha, pages) -> pages.forEach(
                        p -> byHash.computeIfAbsent(sha, h -> new HashMap<>()).put(p.page(), p)));
        List<ReadPage> result = new ArrayList<>();
        refs.forEach(
                ref -> result.add(byHash.getOrDefault(ref.sha256(), Map.of()).get(ref.page())));
        return result;
    }

    private static Clues clues(Arrival arrival, List<ReadPage> pages) {
        List<Clues.PageClues> clues = new ArrayList<>();
        arrival.cover().ifPresent(code -> clues.add(new Clues.PageClues(0, "", List.of(code.written()), false)));
        for (int i = 0; i < pages.size(); i++) {
            clues.add(pages.get(i).asClues(i + 1));
        }
        // who was asked for one paper says “here is a photo of it”, which does not make it a photo
        if (arrival.message() != null && arrival.suggestedType() == null) {
            clues.add(Clues.PageClues.of(pages.size() + 1, arrival.message()));
        }
        UUID open = arrival.fileId();
        return new Clues(clues, arrival.sender(), open == null ? null : open.toString());
    }

    private List<ProposedPerson> persons(Arrival arrival, Clues clues) {
        Map<String, PersonFile> people = new LinkedHashMap<>();
        files.mentionedIn(words(clues), arrival.sender()).forEach(f -> people.put(f.id().toString(), f));
        if (arrival.fileId() != null) {
            PersonFile open = files.file(arrival.fileId());
            people.put(open.id().toString(), open);
        }
        List<KnownPerson> known = files.asKnown(people.values());
        return ProposePerson.propose(clues, known, order()).stream()
                .limit(MOST)
                .map(p -> person(Objects.requireNonNull(people.get(p.value())), p, arrival))
                .toList();
    }

    /** Text and codes: numbers stand in both. */
    private static String words(Clues clues) {
        StringBuilder words = new StringBuilder(clues.text());
        clues.pages().forEach(p -> p.codes()
                .forEach(c -> words.append(' ').append(c.replace('=', ' ').replace(';', ' '))));
        return words.toString();
    }

    private static ProposedPerson person(PersonFile file, Proposal<String> proposal, Arrival arrival) {
        return new ProposedPerson(
                file.id(),
                file.name(),
                file.number(),
                file.birthDate(),
                file.team(),
                proposal.confidence(),
                proposal.reason(),
                proposal.preselected());
    }

    private List<ProposedType> types(Viewer viewer, Arrival arrival, Clues clues) {
        List<KeptDocumentType> visible = catalog.types().stream()
                .filter(t -> viewer.maySee(List.of(t.code())))
                .toList();
        Map<String, String> labels = new HashMap<>();
        visible.forEach(t -> labels.put(t.code(), t.label()));
        return types(arrival, clues, visible).stream()
                .limit(MOST)
                .map(p -> new ProposedType(
                        p.value(),
                        Objects.requireNonNull(labels.get(p.value())),
                        p.confidence(),
                        p.reason(),
                        p.preselected()))
                .toList();
    }

    private static @Nullable Given given(Arrival arrival) {
        boolean isAskedFor = arrival.source() == Arrival.Source.MAIL || arrival.source() == Arrival.Source.PORTAL;
        return arrival.suggestedType() == null ? null : new Given(arrival.suggestedType(), isAskedFor);
    }

    private List<Proposal<String>> types(Arrival arrival, Clues clues, List<KeptDocumentType> among) {
        List<ProposeType.KnownType> known = among.stream()
                .map(t -> new ProposeType.KnownType(
                        t.code(),
                        Stream.concat(Stream.of(t.label()), t.synonyms().stream())
                                .toList()))
                .toList();
        return ProposeType.propose(clues, known, learning.of(clues.text()), given(arrival));
    }

    private static List<ProposedDay> signed(List<FoundDates.Found> found, LocalDate received) {
        return found.stream()
                .filter(FoundDates.Found::isSigning)
                .filter(f -> !f.day().isAfter(received))
                .limit(MOST)
                .map(f -> new ProposedDay(f.day(), f.sure() ? 0.8 : 0.4, "“" + f.quote() + "”", false))
                .toList();
    }

    private static List<ProposedDay> days(List<FoundDates.Found> found, FoundDates.Role role, LocalDate received) {
        return FoundDates.propose(found, role, received).stream()
                .limit(MOST)
                .map(p -> new ProposedDay(p.value(), p.confidence(), p.reason(), p.preselected()))
                .toList();
    }
}
