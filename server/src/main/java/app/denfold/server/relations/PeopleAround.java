package app.denfold.server.relations;

import app.denfold.core.filing.Subject;
import app.denfold.core.people.RelationKind;
import app.denfold.core.people.Representation;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.SearchText;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people around a person: who they are to him, and of whom else they are something. */
@Service
public class PeopleAround {

    private final RelationRepository relations;
    private final OutsiderRepository outsiders;
    private final PersonFiles files;
    private final Kinds kinds;
    private final Accounts accounts;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    PeopleAround(
            RelationRepository relations,
            OutsiderRepository outsiders,
            PersonFiles files,
            Kinds kinds,
            AuditTrail trail,
            PracticeCalendar calendar,
            Accounts accounts) {
        this.accounts = accounts;
        this.relations = relations;
        this.outsiders = outsiders;
        this.files = files;
        this.kinds = kinds;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * Somebody who is something to a person, or to whom he is something.
     *
     * @param words what the somebody is, such as {@code guardian}; what the person is to him where {@code reverse}
     * @param fileId null for an outsider
     * @param outsiderId null for somebody with a file
     */
    public record RelationAnswer(
            UUID id,
            String kind,
            String words,
            boolean reverse,
            String name,
            @Nullable UUID fileId,
            @Nullable String number,
            @Nullable UUID outsiderId,
            @Nullable String organisation,
            @Nullable String email,
            @Nullable String phone,
            @Nullable String note) {}

    /** Those around the person of a file; people in files the viewer may not see are left out. */
    @Transactional(readOnly = true)
    public List<RelationAnswer> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return relations.findOfFile(fileId).stream()
                .flatMap(r -> answer(viewer, r, !r.fileId().equals(fileId)).stream())
                .toList();
    }

    /**
     * Those around the person who can act for the person or be written to, in the order in which they were entered; people in
     * files the viewer may not see are left out.
     */
    @Transactional(readOnly = true)
    public List<Representation.Somebody> around(Viewer viewer, UUID fileId) {
        return of(viewer, fileId).stream()
                .filter(r -> !r.reverse())
                .map(r -> new Representation.Somebody(RelationKind.valueOf(r.kind()), r.name(), r.email()))
                .toList();
    }

    /**
     * Somebody around a person, whoever asks.
     *
     * @param fileId null for one without a file
     */
    public record Near(
            RelationKind kind,
            String name,
            @Nullable String email,
            @Nullable UUID fileId) {}

    /** All around the person, in the order in which they were entered; for the product's own work. */
    @Transactional(readOnly = true)
    public List<Near> near(UUID fileId) {
        return relations.findOfFile(fileId).stream()
                .filter(r -> r.fileId().equals(fileId))
                .map(r -> {
                    if (r.outsiderId() != null) {
                        Outsider o = outsiders.findById(r.outsiderId()).orElseThrow();
                        return new Near(r.kind(), o.name(), o.email(), null);
                    }
                    PersonFile other = files.file(Objects.requireNonNull(r.otherFileId()));
                    return new Near(r.kind(), other.name(), other.email(), other.id());
                })
                .toList();
    }

    /** The same for many files, in three reads; those around whom nobody is are left out. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Near>> near(Collection<UUID> fileIds) {
        List<Relation> all = fileIds.isEmpty() ? List.of() : relations.findByFileIdInOrderByAddedAtAscIdAsc(fileIds);
        Map<UUID, Outsider> known = new HashMap<>();
        outsiders
                .findAllById(all.stream()
                        .flatMap(r -> Stream.ofNullable(r.outsiderId()))
                        .collect(Collectors.toSet()))
                .forEach(o -> known.put(o.id(), o));
        Map<UUID, PersonFile> people = new HashMap<>();
        files.files(all.stream()
                        .flatMap(r -> Stream.ofNullable(r.otherFileId()))
                        .collect(Collectors.toSet()))
                .forEach(f -> people.put(f.id(), f));
        Map<UUID, List<Near>> near = new HashMap<>();
        for (Relation r : all) {
            Outsider outsider = r.outsiderId() == null ? null : known.get(r.outsiderId());
            PersonFile person = r.otherFileId() == null ? null : people.get(r.otherFileId());
            if (outsider != null) {
                near.computeIfAbsent(r.fileId(), id -> new ArrayList<>())
                        .add(new Near(r.kind(), outsider.name(), outsider.email(), null));
            } else if (person != null) {
                near.computeIfAbsent(r.fileId(), id -> new ArrayList<>())
                        .add(new Near(r.kind(), person.name(), person.email(), person.id()));
            }
        }
        return near;
    }

    /** Somebody without a file, whoever asks; for the product's own work. Empty when no longer known. */
    @Transactional(readOnly = true)
    public Optional<Outsider> outsiderById(UUID id) {
        return outsiders.findById(id);
    }

    /** The person of a file, as somebody to write to or to sign. */
    public static Representation.Somebody self(PersonFile file) {
        return new Representation.Somebody(null, file.name(), file.email());
    }

    /**
     * Who signs in a role of a paper's type.
     *
     * @param name of who is proposed; null when nobody fits or several do
     */
    public record ProposedSigner(String role, @Nullable String name) {}

    @Transactional(readOnly = true)
    public List<ProposedSigner> signers(Viewer viewer, UUID fileId, List<String> roles) {
        PersonFile file = files.visible(viewer, fileId);
        List<Representation.Somebody> related = around(viewer, fileId);
        // a building signs nothing: for the practice somebody related does, or whoever is named at the desk
        boolean isPerson = kinds.kind(file.kind()).subject() == Subject.PERSON;
        return roles.stream()
                .map(role -> new ProposedSigner(
                        role,
                        accounts.signsAs(role)
                                .or(() -> Representation.signer(
                                                role, self(file), file.birthDate(), related, calendar.today())
                                        .filter(s -> isPerson || s.kind() != null)
                                        .map(Representation.Somebody::name))
                                .orElse(null)))
                .toList();
    }

    private Optional<RelationAnswer> answer(Viewer viewer, Relation r, boolean reverse) {
        String words = reverse ? r.kind().reverse() : r.kind().label();
        if (r.outsiderId() != null && !reverse) {
            Outsider o = outsiders.findById(r.outsiderId()).orElseThrow();
            return Optional.of(new RelationAnswer(
                    r.id(),
                    r.kind().name(),
                    words,
                    false,
                    o.name(),
                    null,
                    null,
                    o.id(),
                    o.organisation(),
                    o.email(),
                    o.phone(),
                    r.words()));
        }
        UUID other = reverse ? r.fileId() : Objects.requireNonNull(r.otherFileId());
        if (!files.maySee(viewer, other)) {
            return Optional.empty();
        }
        PersonFile person = files.file(other);
        return Optional.of(new RelationAnswer(
                r.id(),
                r.kind().name(),
                words,
                reverse,
                person.name(),
                person.id(),
                person.number(),
                null,
                null,
                person.email(),
                null,
                r.words()));
    }

    /**
     * Exactly one of the three last is given.
     *
     * @param otherFile somebody with a file
     * @param outsider somebody known already
     * @param newOutsider somebody not known yet
     */
    public record NewRelation(
            RelationKind kind,
            @Nullable String note,
            @Nullable UUID otherFile,
            @Nullable UUID outsider,
            @Nullable OutsiderDetails newOutsider) {}

    /** @throws Refusal when nobody or several are named, it is the person himself, or it is told already */
    @Transactional
    public UUID add(Viewer viewer, UUID fileId, NewRelation wanted) {
        viewer.requireChange();
        PersonFile file = files.visible(viewer, fileId);
        if (wanted.kind() == null) {
            throw Refusal.invalid("kind", "Choose what the other is to " + file.name() + ".");
        }
        if (wanted.note() != null && wanted.note().length() > 200) {
            throw Refusal.invalid("note", "The note has up to 200 letters.");
        }
        String name;
        UUID outsiderId = null;
        if (wanted.otherFile() != null) {
            if (wanted.otherFile().equals(fileId)) {
                throw Refusal.invalid("otherFile", "Nobody is related to himself.");
            }
            name = files.visible(viewer, wanted.otherFile()).name();
        } else {
            Outsider outsider = outsiderOf(viewer, wanted);
            outsiderId = outsider.id();
            name = outsider.name();
            if (outsider.email() != null) {
                files.noteContact(fileId, outsider.email());
            }
        }
        Relation relation = new Relation(
                fileId, wanted.kind(), wanted.otherFile(), outsiderId, wanted.note(), viewer.name(), calendar.now());
        try {
            relations.saveAndFlush(relation);
        } catch (DataIntegrityViolationException twice) {
            throw Refusal.conflict(
                    "told-already", name + " is told as " + wanted.kind().label() + " already.");
        }
        files.touch(fileId);
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "related",
                fileId,
                "noted " + name + " as " + wanted.kind().label()));
        return relation.id();
    }

    private Outsider outsiderOf(Viewer viewer, NewRelation wanted) {
        if (wanted.outsider() != null) {
            return visibleOutsider(viewer, wanted.outsider());
        }
        if (wanted.newOutsider() == null) {
            throw Refusal.invalid("otherFile", "Say who it is.");
        }
        return outsiders.save(new Outsider(wanted.newOutsider()));
    }

    /** @throws Refusal when the viewer may not change the file it stands in */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        viewer.requireChange();
        Relation relation = relations.findById(id).orElseThrow(() -> Refusal.notFound("relation"));
        files.visible(viewer, relation.fileId());
        String name = relation.outsiderId() != null
                ? outsiders.findById(relation.outsiderId()).orElseThrow().name()
                : files.file(Objects.requireNonNull(relation.otherFileId())).name();
        relations.delete(relation);
        files.touch(relation.fileId());
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "no-longer-related",
                relation.fileId(),
                "no longer notes " + name + " as " + relation.kind().label()));
    }

    /** Somebody without a file, and the people to whom he is something. */
    public record OutsiderAnswer(
            UUID id,
            int version,
            String name,
            @Nullable String organisation,
            @Nullable String email,
            @Nullable String phone,
            List<RelationAnswer> relations) {}

    /** With those of his people whose files the viewer may see. */
    @Transactional(readOnly = true)
    public OutsiderAnswer outsider(Viewer viewer, UUID id) {
        Outsider o = visibleOutsider(viewer, id);
        List<RelationAnswer> people = relations.findByOutsiderIdOrderByAddedAt(id).stream()
                .flatMap(r -> answer(viewer, r, true).stream())
                .toList();
        return new OutsiderAnswer(o.id(), o.version(), o.name(), o.organisation(), o.email(), o.phone(), people);
    }

    private Outsider visibleOutsider(Viewer viewer, UUID id) {
        Outsider outsider = outsiders.findById(id).orElseThrow(() -> Refusal.notFound("outsider"));
        boolean visible = viewer.seesEverybody()
                || relations.findByOutsiderIdOrderByAddedAt(id).stream()
                        .anyMatch(r -> files.maySee(viewer, r.fileId()));
        if (!visible) {
            throw Refusal.notFound("outsider");
        }
        return outsider;
    }

    /** @throws Refusal when somebody else changed it since {@code version} */
    @Transactional
    public void change(Viewer viewer, UUID id, int version, OutsiderDetails details) {
        viewer.requireChange();
        Outsider outsider = visibleOutsider(viewer, id);
        if (outsider.version() != version) {
            throw Refusal.changedMeanwhile("this");
        }
        outsider.change(details);
        for (Relation relation : relations.findByOutsiderIdOrderByAddedAt(id)) {
            if (outsider.email() != null) {
                files.noteContact(relation.fileId(), outsider.email());
            }
            trail.record(AuditEntry.ofFile(
                    viewer.actor(),
                    "outsider-changed",
                    relation.fileId(),
                    "changed what is known of " + outsider.name() + ", "
                            + relation.kind().label()));
        }
    }

    /** @param most at most */
    @Transactional(readOnly = true)
    public List<Outsider> find(Viewer viewer, String text, int most) {
        String wanted = SearchText.plain(text.length() > 200 ? text.substring(0, 200) : text);
        return wanted.isEmpty()
                ? List.of()
                : outsiders.find(
                        wanted,
                        SearchText.containing(text),
                        viewer.seesEverybody(),
                        viewer.sight().teamNames(),
                        viewer.sight().files(),
                        most);
    }
}
