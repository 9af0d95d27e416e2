package app.denfold.server.people;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.filing.Subject;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.teams.TeamTree;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PeopleEvents.FileDestroyed;
import app.denfold.server.people.PeopleEvents.FileOpened;
import app.denfold.server.people.PeopleEvents.KindsChanged;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.people.candidates.FindCandidates;
import app.denfold.server.people.contacts.ContactAddressStore;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Files of persons: made, found, changed, and seen only by those who may. */
@Service
public class PersonFiles {

    private static final int MOST_FOUND = 500;

    private final PersonFileRepository files;
    private final FindCandidates candidates;
    private final ContactAddressStore contacts;
    private final Kinds kinds;
    private final PersonCheck check;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final EntityManager entities;
    private final TeamTree teams;

    PersonFiles(
            PersonFileRepository files,
            FindCandidates candidates,
            ContactAddressStore contacts,
            Kinds kinds,
            PersonCheck check,
            AuditTrail trail,
            PracticeCalendar calendar,
            ApplicationEventPublisher events,
            EntityManager entities,
            TeamTree teams) {
        this.files = files;
        this.candidates = candidates;
        this.contacts = contacts;
        this.kinds = kinds;
        this.check = check;
        this.trail = trail;
        this.calendar = calendar;
        this.events = events;
        this.entities = entities;
        this.teams = teams;
    }

    /**
     * Makes a new file with the next number of its kind.
     *
     * @param evenIfLike make it although a person of the same name and birth date has a file
     * @throws Refusal when a value cannot be, or there is such a person
     */
    @Transactional
    public PersonFile open(Viewer viewer, PersonDetails details, boolean evenIfLike) {
        viewer.requireChange();
        PersonKind kind = kinds.lock(details.kind());
        check.check(details, kind);
        check.requireVisible(viewer, details, kind, Map.of());
        if (!evenIfLike) {
            // of others he may learn nothing, not even that they are here; merging finds who was entered twice
            refuseLike(like(details).stream().filter(f -> maySee(viewer, f)).toList());
        }
        return made(details, kind, viewer.actor());
    }

    /** The same for the product's own work, such as taking over many at once. */
    @Transactional
    public PersonFile open(PersonDetails details, boolean evenIfLike, Actor by) {
        PersonKind kind = kinds.lock(details.kind());
        check.check(details, kind);
        if (!evenIfLike) {
            refuseLike(like(details));
        }
        return made(details, kind, by);
    }

    private PersonFile made(PersonDetails details, PersonKind kind, Actor by) {
        PersonDetails spelled = meetChoices(details, kind, by);
        PersonFile file = files.save(new PersonFile(kind.takeNumber(), spelled, calendar.now()));
        meetTeam(file);
        writeNow();
        trail.record(AuditEntry.ofFile(
                by, "file-opened", file.id(), "made the file " + file.number() + " for " + file.name()));
        events.publishEvent(new FileOpened(file.id()));
        return file;
    }

    /**
     * Files of persons with the same name and birth date, none when the birth date is unknown; of the practice's own
     * files those with the same name.
     */
    public List<PersonFile> like(PersonDetails details) {
        String name = details.familyName().strip();
        if (kinds.kind(details.kind()).subject() == Subject.PRACTICE) {
            return files.findByKindAndFamilyNameIgnoreCase(details.kind(), name);
        }
        return details.birthDate() == null
                ? List.of()
                : files.findByFamilyNameIgnoreCaseAndGivenNameIgnoreCaseAndBirthDate(
                        name, details.givenName().strip(), details.birthDate());
    }

    private static void refuseLike(List<PersonFile> like) {
        if (!like.isEmpty()) {
            PersonFile other = like.get(0);
            throw Refusal.conflict(
                    "person-exists",
                    other.name()
                            + (other.birthDate() == null
                                    ? ""
                                    : ", born " + PracticeCalendar.words(other.birthDate()) + ",")
                            + " has the file " + other.number() + " already.",
                    Map.of("fileId", other.id(), "number", other.number()));
        }
    }

    /** @throws Refusal when a value cannot be, or somebody else changed the file since {@code version} */
    @Transactional
    public PersonFile change(Viewer viewer, UUID id, int version, PersonDetails details) {
        viewer.requireChange();
        PersonFile file = visible(viewer, id);
        if (file.version() != version) {
            throw Refusal.changedMeanwhile("this file");
        }
        PersonKind kind = kinds.kind(file.kind());
        check.check(details, kind);
        Map<String, String> before = file.factsOn(calendar.today());
        check.requireVisible(viewer, details, kind, before);
        check.refuseCircle(file, details, kind);
        PersonDetails spelled = meetChoices(details, kind, viewer.actor());
        file.change(keepingHidden(viewer, spelled, before), calendar.today(), calendar.now());
        meetTeam(file);
        trail.record(AuditEntry.ofFile(viewer.actor(), "file-changed", id, "changed the details of " + file.name()));
        events.publishEvent(new PersonChanged(id));
        writeNow();
        return file;
    }

    /** The details as the choices of the kind spell them, which take up what is new. */
    private PersonDetails meetChoices(PersonDetails details, PersonKind kind, Actor by) {
        if (!kind.isNews(details.facts())) {
            return details.with(kind.spelled(details.facts()));
        }
        // held, and as it is now: two may add the same at once
        entities.refresh(kind, LockModeType.PESSIMISTIC_WRITE);
        PersonDetails spelled = details.with(kind.spelled(details.facts()));
        if (kind.isNews(spelled.facts())) {
            kind.meet(spelled.facts());
            entities.flush();
            trail.record(
                    AuditEntry.general(by, "kind-changed", "added to the choices of the kind “" + kind.label() + "”"));
            events.publishEvent(new KindsChanged(kind.label(), by));
        }
        return spelled;
    }

    private void meetTeam(PersonFile file) {
        if (file.team() != null) {
            teams.meet(file.team());
        }
    }

    /** Only when it is written a file is of the version that is answered and told by whoever changes it next. */
    private void writeNow() {
        entities.flush();
    }

    /** What the viewer may not know of stays as it is. */
    private static PersonDetails keepingHidden(Viewer viewer, PersonDetails details, Map<String, String> before) {
        Map<String, String> facts = new HashMap<>(details.facts());
        before.forEach((name, value) -> {
            if (!viewer.maySeeFact(details.kind(), name)) {
                facts.put(name, value);
            }
        });
        return details.with(facts);
    }

    /** @throws Refusal when there is no such file or the viewer may not see it */
    @Transactional(readOnly = true)
    public PersonFile visible(Viewer viewer, UUID id) {
        return files.findById(id).filter(f -> maySee(viewer, f)).orElseThrow(() -> missing(viewer, id));
    }

    private Refusal missing(Viewer viewer, UUID id) {
        return files.findStayingFor(id)
                .filter(f -> maySee(viewer, f))
                .map(kept -> Refusal.gone(
                        "merged-into",
                        "This file was merged into the file " + kept.number() + " of " + kept.name() + ".",
                        Map.of("fileId", kept.id(), "number", kept.number())))
                .orElseGet(() -> Refusal.notFound("file"));
    }

    public boolean maySee(Viewer viewer, UUID id) {
        return files.findById(id).filter(f -> maySee(viewer, f)).isPresent();
    }

    /** Those of these files that the viewer may see. */
    @Transactional(readOnly = true)
    public Set<UUID> visibleAmong(Viewer viewer, Collection<UUID> ids) {
        return files.findByIdIn(Set.copyOf(ids)).stream()
                .filter(f -> maySee(viewer, f))
                .map(PersonFile::id)
                .collect(Collectors.toSet());
    }

    private static boolean maySee(Viewer viewer, PersonFile file) {
        return viewer.maySeeFile(file.id(), file.team());
    }

    /** The file, whoever asks; for the product's own work. */
    @Transactional(readOnly = true)
    public PersonFile file(UUID id) {
        return files.findById(id).orElseThrow(() -> Refusal.notFound("file"));
    }

    /** Reads these files at once, so that each of them is at hand in the running transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void readTogether(Collection<UUID> ids) {
        files.findAllById(ids);
    }

    /** The file and all that were merged into it. */
    public List<UUID> withMerged(UUID id) {
        return files.findWithMerged(id);
    }

    /** A file that was merged into another. */
    public PersonFile merged(UUID id) {
        return files.findMerged(id).orElseThrow(() -> Refusal.notFound("merged file"));
    }

    /** Closes a file whose person is the one of another, of whom now all of {@code becomes} is known. */
    public void mergeInto(UUID gone, UUID kept, PersonState becomes) {
        file(gone).mergeInto(kept);
        file(kept).become(becomes, calendar.now());
    }

    /** Opens a merged file again; the one it was merged into becomes what is given. */
    public PersonFile unmerge(UUID gone, UUID kept, PersonState becomes) {
        PersonFile opened = merged(gone);
        opened.mergeInto(null);
        file(kept).become(becomes, calendar.now());
        return opened;
    }

    /** Whose file has the number; the number itself when none has. */
    public String nameOf(String number) {
        return files.findByNumber(number).map(PersonFile::name).orElse(number);
    }

    /** Codes of the kinds of these files, in one read; for the product's own work. */
    @Transactional(readOnly = true)
    public Map<UUID, String> kindsOf(Collection<UUID> ids) {
        return files.findForRules(ids).stream().collect(Collectors.toMap(row -> (UUID) row[0], row -> (String) row[1]));
    }

    /** Files by their numbers; for the product's own work. */
    @Transactional(readOnly = true)
    public List<PersonFile> numbered(Collection<String> numbers) {
        return numbers.isEmpty() ? List.of() : files.findByNumberIn(numbers);
    }

    public List<PersonFile> files(Collection<UUID> ids) {
        return files.findByIdIn(ids);
    }

    /** Holds the files against changes by others until the transaction ends. */
    public void lock(Collection<UUID> ids) {
        files.lockByIds(ids);
    }

    /** Holds the files also against anything new in them until the transaction ends. */
    public void lockWholly(Collection<UUID> ids) {
        files.lockWholly(ids);
    }

    /** @throws Refusal when one of them was merged into another meanwhile; for the end of a transaction that holds them */
    public void refuseMerged(Collection<UUID> ids) {
        List<String> merged = files.findMergedNumbers(ids);
        if (!merged.isEmpty()) {
            throw Refusal.conflict(
                    "merged-meanwhile",
                    "The file " + merged.get(0) + " was merged into another one meanwhile. Nothing was saved; open it"
                            + " again.");
        }
    }

    /**
     * Removes a file for good, with all that lies in it and the files that were merged into it. Whether that may be, and
     * that its papers are gone, is seen to before; whoever keeps more of the person is told first.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void remove(UUID id) {
        withMerged(id).forEach(one -> events.publishEvent(new FileDestroyed(one)));
        files.remove(id);
    }

    /** What the rules need to know of these persons, in five reads however many they are. */
    @Transactional(readOnly = true)
    public List<PersonForRules> forRules(Collection<UUID> ids) {
        Map<UUID, List<ActiveSpan>> spans = new HashMap<>();
        files.findSpans(ids).forEach(row -> spans.computeIfAbsent((UUID) row[0], id -> new ArrayList<>())
                .add(((ActiveSpan.Kept) row[1]).span()));
        Map<UUID, List<Fact>> facts = new HashMap<>();
        files.findFacts(ids).forEach(row -> facts.computeIfAbsent((UUID) row[0], id -> new ArrayList<>())
                .add((Fact) row[1]));
        return files.findForRules(ids).stream()
                .map(row -> new PersonForRules(
                        (UUID) row[0],
                        (String) row[1],
                        (LocalDate) row[2],
                        spans.getOrDefault((UUID) row[0], List.of()),
                        facts.getOrDefault((UUID) row[0], List.of())))
                .toList();
    }

    /** @param kind code of a kind, or empty for all */
    public List<UUID> idsOfKind(String kind) {
        return files.findIdsOfKind(kind);
    }

    public List<UUID> allIds() {
        return files.findAllIds();
    }

    /**
     * Files the viewer may see whose names, number, birth date, team or address hold the text or come near it, best
     * first.
     *
     * @param kind code of a kind, or empty for all
     * @param most at most {@value #MOST_FOUND}
     */
    @Transactional(readOnly = true)
    public List<PersonFile> find(Viewer viewer, String text, String kind, int most) {
        String wanted = SearchText.plain(text.length() > 200 ? text.substring(0, 200) : text);
        String pattern = SearchText.literally(wanted);
        return files.find(
                wanted,
                pattern,
                kind,
                viewer.seesEverybody(),
                viewer.sight().teamNames(),
                viewer.sight().files(),
                Math.min(most, MOST_FOUND));
    }

    /**
     * The persons of whom a paper may speak, whoever asks; for the product's own work.
     *
     * @param sender address it was sent from, or null
     */
    @Transactional(readOnly = true)
    public List<PersonFile> mentionedIn(String text, @Nullable String sender) {
        Set<UUID> ids = new LinkedHashSet<>(candidates.byAddress(sender));
        if (sender != null) {
            ids.addAll(contacts.filesOf(sender));
        }
        ids.addAll(candidates.in(text));
        return ids.isEmpty() ? List.of() : files.findByIdIn(ids);
    }

    /** With its row held until the transaction ends, for what follows a change of the person. */
    @Transactional
    public PersonFile fileToFollow(UUID id) {
        return files.findToChange(id).orElseThrow(() -> Refusal.notFound("file"));
    }

    /** As it stays until the transaction ends: a change of the person that is under way is waited for. */
    @Transactional
    public PersonFile unchangingFile(UUID id) {
        return files.findUnchanging(id).orElseThrow(() -> Refusal.notFound("file"));
    }

    /** Words of people's names that come near a word with a typing error; of all people, whoever asks. */
    public Set<String> namesLike(String word) {
        return candidates.wordsLike(word);
    }

    /** These persons as proposals for a paper see them, with the addresses of those who write for them. */
    @Transactional(readOnly = true)
    public List<KnownPerson> asKnown(Collection<PersonFile> people) {
        Map<UUID, List<String>> addresses =
                contacts.of(people.stream().map(PersonFile::id).toList());
        Map<String, Subject> subjects =
                kinds.all().stream().collect(Collectors.toMap(PersonKind::code, PersonKind::subject));
        return people.stream()
                .map(p -> p.asKnown(
                        addresses.getOrDefault(p.id(), List.of()), subjects.getOrDefault(p.kind(), Subject.PERSON)))
                .toList();
    }

    /** Notes that somebody writes for the person from this address. */
    @Transactional
    public void noteContact(UUID id, String address) {
        contacts.add(id, address);
    }

    /** Notes that something was done in the file. */
    @Transactional
    public void touch(UUID id) {
        files.findById(id).ifPresent(f -> f.touch(calendar.now()));
    }
}
