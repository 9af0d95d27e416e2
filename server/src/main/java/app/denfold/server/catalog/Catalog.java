package app.denfold.server.catalog;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.DocumentType;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RuleBook;
import app.denfold.exchange.BadInput;
import app.denfold.exchange.RulesJson;
import app.denfold.server.access.Actor;
import app.denfold.server.access.SensitiveThings;
import app.denfold.server.catalog.CatalogEvents.RulesChanged;
import app.denfold.server.catalog.revision.RulesRevision;
import app.denfold.server.catalog.revision.RulesRevisionRepository;
import app.denfold.server.people.PeopleEvents.KindsChanged;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Sections, document types and checklists of the practice. */
@Service
public class Catalog {

    private final SectionRepository sections;
    private final DocumentTypeRepository types;
    private final ChecklistRepository checklists;
    private final RulesRevisionRepository revisions;
    private final Kinds kinds;
    private final ApplicationEventPublisher events;

    /** The rules as last read; right for as long as the stored revision is the same. */
    private volatile @Nullable Rules read;

    Catalog(
            SectionRepository sections,
            DocumentTypeRepository types,
            ChecklistRepository checklists,
            RulesRevisionRepository revisions,
            Kinds kinds,
            ApplicationEventPublisher events) {
        this.sections = sections;
        this.types = types;
        this.checklists = checklists;
        this.revisions = revisions;
        this.kinds = kinds;
        this.events = events;
    }

    /**
     * The rules as the core reads them, with what people call things.
     *
     * @param revision counts up with each change; 0 for rules that are not kept
     * @param slotsRevision the last revision that can have changed how slots stand
     * @param kindLabels what kinds of files are called, by code
     * @param checklistLabels by code, in the order of the checklists
     * @param requirementLabels by checklist and requirement code, as {@code staff/contract}
     */
    public record Rules(
            long revision,
            long slotsRevision,
            RuleBook book,
            Map<String, KeptDocumentType> types,
            Map<String, String> kindLabels,
            Map<String, String> checklistLabels,
            Map<String, String> requirementLabels) {

        public String label(String checklist, String requirement) {
            return requirementLabels.getOrDefault(checklist + "/" + requirement, requirement);
        }

        public KeptDocumentType type(@Nullable String code) {
            return Objects.requireNonNull(types.get(code));
        }

        /** @param codes not empty */
        public DocumentTypes types(List<String> codes) {
            return new DocumentTypes(codes.stream().map(types::get).toList());
        }

        /** All types that papers for a requirement can be of, in any version of its checklist; empty when unknown. */
        public Set<String> typesOf(String checklist, String requirement) {
            return book.checklists().stream()
                    .filter(list -> list.code().equals(checklist))
                    .flatMap(list -> list.requirements().stream())
                    .filter(r -> r.code().equals(requirement))
                    .flatMap(r -> r.types().stream())
                    .collect(Collectors.toSet());
        }

        /** The section in which a requirement's slot stands: that of the first type its evidence names. */
        public String sectionOf(Requirement requirement) {
            return Objects.requireNonNull(
                            types.get(requirement.types().iterator().next()))
                    .section();
        }
    }

    @Transactional(readOnly = true)
    public Rules rules() {
        long revision = revisions.current();
        Rules before = read;
        if (before != null && before.revision() == revision) {
            return before;
        }
        Rules fresh = read(
                revision,
                revisions.currentOfSlots(),
                kinds.all(),
                types.findAllByOrderByLabel(),
                checklists.findAllWithVersions());
        // a transaction that changes rules may yet be rolled back, and its revision be counted again for others
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            read = fresh;
        }
        return fresh;
    }

    /** The rules that these types and checklists make. */
    static Rules read(
            long revision,
            long slotsRevision,
            List<PersonKind> kinds,
            List<KeptDocumentType> types,
            List<KeptChecklist> kept) {
        Map<String, KeptDocumentType> byCode = new LinkedHashMap<>();
        types.forEach(t -> byCode.put(t.code(), t));
        List<DocumentType> forRules =
                byCode.values().stream().map(KeptDocumentType::forRules).toList();
        Map<String, String> kindLabels = kinds.stream().collect(Collectors.toMap(PersonKind::code, PersonKind::label));
        Map<String, String> lists = new LinkedHashMap<>();
        Map<String, String> labels = new HashMap<>();
        List<Checklist> versions = new ArrayList<>();
        for (KeptChecklist list : kept) {
            lists.put(list.code(), list.label());
            list.requirementLabels().forEach((code, label) -> labels.put(list.code() + "/" + code, label));
            versions.addAll(versions(list, byCode.keySet()));
        }
        return new Rules(revision, slotsRevision, RuleBook.of(forRules, versions), byCode, kindLabels, lists, labels);
    }

    private static List<Checklist> versions(KeptChecklist list, Set<String> typeCodes) {
        List<Checklist> result = new ArrayList<>();
        for (int i = 0; i < list.versions().size(); i++) {
            ChecklistVersion version = list.versions().get(i);
            Checklist read = RulesJson.checklist(version.definition(), typeCodes);
            Window between = new Window(version.fromDay(), list.lastDay(i));
            read.inForce()
                    .intersect(between)
                    .ifPresent(window ->
                            result.add(new Checklist(read.code(), window, read.appliesWhen(), read.requirements())));
        }
        return result;
    }

    public List<Section> sections() {
        return sections.findAllByOrderByOrdinal();
    }

    public List<KeptDocumentType> types() {
        return types.findAllByOrderByLabel();
    }

    /** @throws Refusal when there is no such type */
    public KeptDocumentType type(String code) {
        return types.findById(code)
                .orElseThrow(() -> Refusal.invalid("type", "There is no document type " + code + "."));
    }

    /** @param codes not empty @throws Refusal when there is no such type */
    public DocumentTypes types(List<String> codes) {
        return new DocumentTypes(codes.stream().map(this::type).toList());
    }

    public List<KeptChecklist> checklists() {
        return checklists.findAllWithVersions();
    }

    public Set<String> checklistCodes() {
        return checklists().stream().map(KeptChecklist::code).collect(Collectors.toSet());
    }

    /** What few may see. */
    @Component
    static class SensitiveTypes implements SensitiveThings {
        private final DocumentTypeRepository types;

        SensitiveTypes(DocumentTypeRepository types) {
            this.types = types;
        }

        @Override
        public Map<String, String> typesWithSections() {
            return types.findSensitive().stream()
                    .collect(Collectors.toMap(
                            DocumentTypeRepository.InSection::code, DocumentTypeRepository.InSection::section));
        }
    }

    /** The rules that these types and checklists would make. */
    public Rules supposing(List<KeptDocumentType> supposedTypes, List<KeptChecklist> supposedLists) {
        return read(0, 0, kinds.all(), supposedTypes, supposedLists);
    }

    /** What checklists may say of facts. */
    public FactSense sense() {
        return new FactSense(kinds.all());
    }

    @Transactional
    public void add(Section section) {
        sections.save(section);
    }

    @Transactional
    public void add(KeptDocumentType type) {
        types.save(type);
        changed("the type " + type.label(), Actor.system("Set-up"), true, false);
    }

    /** @throws app.denfold.exchange.BadInput when the definition cannot be read, with its place */
    @Transactional
    public void add(KeptChecklist checklist) {
        List<String> codes = types().stream().map(KeptDocumentType::code).toList();
        RulesJson.checklist(checklist.latest().definition(), Set.copyOf(codes), sense());
        checklists.save(checklist);
        changed("the checklist " + checklist.label(), Actor.system("Set-up"), true, false);
    }

    /** @throws Refusal when a checklist asks for a fact or value that is no more */
    @EventListener
    void on(KindsChanged event) {
        Set<String> codes = types().stream().map(KeptDocumentType::code).collect(Collectors.toSet());
        for (KeptChecklist list : checklists.findAllWithVersions()) {
            try {
                RulesJson.checklist(list.latest().definition(), codes, sense());
            } catch (BadInput broken) {
                throw Refusal.conflict(
                        "fact-used",
                        "The checklist “" + list.label() + "” needs what would be taken away: " + broken.getMessage()
                                + ".");
            }
        }
        // what files hold cannot be taken away by it, so no slot stands otherwise
        changed("the kind " + event.label(), event.by(), false, false);
    }

    /**
     * Counts the revision up and tells those who worked by the older one.
     *
     * @param slots whether the change can change how slots stand
     * @param found whether papers are found by other names or states now
     */
    public void changed(String what, Actor by, boolean slots, boolean found) {
        RulesRevision revision = revisions.lock();
        revision.countUp(slots);
        events.publishEvent(new RulesChanged(revision.revision(), what, by, slots, found));
    }
}
