package app.denfold.server.people;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A file becomes one of another kind, with all its papers: whoever applied is an employee from a day on. */
@Service
class BecomeKind {

    private static final int MOST_YEARS_AHEAD = 5;

    private final PersonFiles files;
    private final PersonFileRepository repository;
    private final Kinds kinds;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final EntityManager entities;

    BecomeKind(
            PersonFiles files,
            PersonFileRepository repository,
            Kinds kinds,
            AuditTrail trail,
            PracticeCalendar calendar,
            ApplicationEventPublisher events,
            EntityManager entities) {
        this.files = files;
        this.repository = repository;
        this.kinds = kinds;
        this.trail = trail;
        this.calendar = calendar;
        this.events = events;
        this.entities = entities;
    }

    /**
     * Gives it the next number of the new kind; it is still found by the old one. Facts that the new kind has too stay,
     * the others end.
     *
     * @param version of the file as it was looked at
     * @param startsOn first day on which anything is asked of it as one of the new kind
     * @throws Refusal when it cannot be one of that kind, or somebody else changed the file since
     */
    @Transactional
    public PersonFile become(Viewer viewer, UUID id, int version, String code, LocalDate startsOn) {
        viewer.requireChange();
        PersonFile file = files.visible(viewer, id);
        if (file.version() != version) {
            throw Refusal.changedMeanwhile("this file");
        }
        PersonKind before = kinds.kind(file.kind());
        PersonKind kind = kinds.lock(code);
        if (kind.code().equals(before.code())) {
            throw Refusal.invalid("kind", file.name() + " is of this kind already.");
        }
        if (kind.subject() != before.subject()) {
            throw Refusal.invalid("kind", "A person's file stays a person's, and the practice's own stays its own.");
        }
        LocalDate born = file.birthDate();
        if (startsOn.isAfter(calendar.today().plusYears(MOST_YEARS_AHEAD)) || born != null && startsOn.isBefore(born)) {
            throw Refusal.invalid("startsOn", "Choose a day after birth, and within five years from today.");
        }
        List<FactDefinition> shared = kind.facts().stream()
                .filter(f -> before.facts().stream().anyMatch(b -> b.name().equals(f.name()) && b.form() == f.form()))
                .toList();
        String number = file.number();
        file.become(
                kind.code(),
                kind.takeNumber(),
                shared.stream().map(FactDefinition::name).toList(),
                startsOn,
                calendar.now());
        named(number, file.number()).forEach(other -> events.publishEvent(new PersonChanged(other)));
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "file-changed",
                id,
                "made " + file.name() + ", " + before.label() + " " + number + ", " + kind.label() + " " + file.number()
                        + " from " + PracticeCalendar.words(startsOn)));
        events.publishEvent(new PersonChanged(id));
        entities.flush();
        return file;
    }

    /** Files whose facts name it by its number name it by the new one. */
    private List<UUID> named(String before, String now) {
        List<String> facts = kinds.all().stream()
                .flatMap(k -> k.facts().stream())
                .filter(f -> f.form() == FactDefinition.Form.PERSON)
                .map(FactDefinition::name)
                .distinct()
                .toList();
        List<PersonFile> naming = facts.isEmpty() ? List.of() : repository.findEverNaming(before, facts);
        naming.forEach(f -> f.renumber(facts, before, now));
        return naming.stream().map(PersonFile::id).toList();
    }
}
