package app.denfold.server.chasing.planned;

import app.denfold.core.notices.Plan;
import app.denfold.core.notices.Stand;
import app.denfold.core.notices.Watched;
import app.denfold.core.rules.Document;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.coverage.slots.SlotsAhead;
import app.denfold.server.coverage.slots.SlotsAhead.SlotAhead;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The slots and papers of which plans tell, with how they stand. */
@Component
class WatchedThings {

    private static final int FILES_AT_ONCE = 1_000;

    /** So many days earlier than planned something may go out, since the days until then are quiet. */
    private static final int MOST_QUIET_DAYS = 31;

    private final SlotsAhead slots;
    private final Catalog catalog;
    private final PersonFiles files;
    private final Documents documents;
    private final EvaluateFile evaluate;

    WatchedThings(SlotsAhead slots, Catalog catalog, PersonFiles files, Documents documents, EvaluateFile evaluate) {
        this.slots = slots;
        this.catalog = catalog;
        this.files = files;
        this.documents = documents;
        this.evaluate = evaluate;
    }

    /** Of all files, what plans can tell from today to a day. */
    @Transactional(readOnly = true)
    public List<Watched> of(List<Plan> plans, LocalDate to) {
        if (plans.isEmpty()) {
            return List.of();
        }
        LocalDate by = to.plusDays(PrepareNotices.furthestAhead(plans) + (long) MOST_QUIET_DAYS);
        return Stream.concat(watched(plans, slots.wantingBy(by)).stream(), papers(plans, null).stream())
                .toList();
    }

    /** The same of these files, however far ahead. */
    @Transactional(readOnly = true)
    public List<Watched> ofFiles(List<Plan> plans, Collection<UUID> fileIds) {
        return Stream.concat(
                        watched(plans, slots.ofFiles(fileIds)).stream(), papers(plans, Set.copyOf(fileIds)).stream())
                .toList();
    }

    private record Requirement(String checklist, String code) {}

    private record Meaning(String label, Set<String> types, boolean sensitive) {}

    private List<Watched> watched(List<Plan> plans, List<SlotAhead> ahead) {
        Catalog.Rules rules = catalog.rules();
        Map<Requirement, Meaning> meanings = new HashMap<>();
        Map<UUID, String> kinds = kinds(ahead);
        List<Watched> watched = new ArrayList<>();
        for (SlotAhead slot : ahead) {
            String kind = kinds.get(slot.key().fileId());
            Meaning meaning = meanings.computeIfAbsent(
                    new Requirement(slot.key().checklist(), slot.key().requirement()), r -> meaning(rules, r));
            if (kind != null) {
                Watched one = new Watched(
                        slot.key().fileId().toString(),
                        kind,
                        Watched.Thing.slot(slot.key().checklist(), slot.key().requirement()),
                        meaning.label(),
                        meaning.types(),
                        meaning.sensitive(),
                        slot.blocking(),
                        slot.stands());
                if (plans.stream().anyMatch(p -> p.scope().covers(one))) {
                    watched.add(one);
                }
            }
        }
        return watched;
    }

    private Map<UUID, String> kinds(List<SlotAhead> ahead) {
        List<UUID> ids = ahead.stream().map(s -> s.key().fileId()).distinct().toList();
        Map<UUID, String> kinds = new HashMap<>();
        for (int i = 0; i < ids.size(); i += FILES_AT_ONCE) {
            files.kindsOf(ids.subList(i, Math.min(ids.size(), i + FILES_AT_ONCE)))
                    .forEach(kinds::put);
        }
        return kinds;
    }

    private static Meaning meaning(Catalog.Rules rules, Requirement requirement) {
        Set<String> types = rules.typesOf(requirement.checklist(), requirement.code());
        return new Meaning(
                rules.label(requirement.checklist(), requirement.code()),
                types,
                types.stream()
                        .map(rules.types()::get)
                        .filter(Objects::nonNull)
                        .anyMatch(KeptDocumentType::isSensitive));
    }

    /** Papers that have a plan of their own. @param among files; null for all */
    private List<Watched> papers(List<Plan> plans, @Nullable Set<UUID> among) {
        return plans.stream()
                .map(p -> p.scope().paper())
                .filter(Objects::nonNull)
                .distinct()
                .flatMap(id -> paper(UUID.fromString(id), among).stream())
                .toList();
    }

    private Optional<Watched> paper(UUID id, @Nullable Set<UUID> among) {
        FiledDocument document;
        PersonFile file;
        try {
            document = documents.document(id);
            if (among != null && !among.contains(document.fileId())) {
                return Optional.empty();
            }
            file = files.file(document.fileId());
        } catch (Refusal gone) {
            return Optional.empty();
        }
        Catalog.Rules rules = catalog.rules();
        Map<UUID, Person> persons = evaluate.persons(List.of(file.id()));
        return Optional.ofNullable(persons.get(file.id()))
                .flatMap(person -> lastValidDay(rules, document, person))
                .map(last -> new Watched(
                        file.id().toString(),
                        file.kind(),
                        Watched.Thing.paper(id.toString()),
                        document.name(),
                        Set.copyOf(document.types()),
                        document.types().stream()
                                .map(rules.types()::get)
                                .filter(Objects::nonNull)
                                .anyMatch(KeptDocumentType::isSensitive),
                        true,
                        List.of(
                                new Stand(null, Status.ON_FILE, last, null, Renewal.NONE),
                                new Stand(last.plusDays(1), Status.LAPSED, last, null, Renewal.NONE))));
    }

    /** Of its newest version; empty when it never ends or no longer counts. */
    private static Optional<LocalDate> lastValidDay(Catalog.Rules rules, FiledDocument document, Person person) {
        return document.forRules().stream()
                .filter(d -> !FiledDocument.isFormerVersion(d.id()) && d.enteredInErrorOn() == null)
                .flatMap(d -> lastValidDay(rules, d, person).stream())
                .max(Comparator.naturalOrder());
    }

    private static Optional<LocalDate> lastValidDay(Catalog.Rules rules, Document document, Person person) {
        KeptDocumentType type = rules.types().get(document.type());
        return type == null ? Optional.empty() : type.forRules().validity().lastValidDay(document, person.birthDate());
    }
}
