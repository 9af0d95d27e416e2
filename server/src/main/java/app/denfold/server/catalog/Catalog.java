package app.denfold.server.catalog;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.DocumentType;
import app.denfold.core.rules.RuleBook;
import app.denfold.exchange.RulesJson;
import app.denfold.server.problems.Refusal;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sections, document types and checklists of the practice. */
@Service
public class Catalog {

    private final CatalogRepositories.Sections sections;
    private final CatalogRepositories.Types types;
    private final CatalogRepositories.Checklists checklists;

    Catalog(
            CatalogRepositories.Sections sections,
            CatalogRepositories.Types types,
            CatalogRepositories.Checklists checklists) {
        this.sections = sections;
        this.types = types;
        this.checklists = checklists;
    }

    /**
     * The rules as the core reads them, with what people call things.
     *
     * @param requirementLabels by checklist and requirement code, as {@code staff/contract}
     */
    public record Rules(RuleBook book, Map<String, PaperType> types, Map<String, String> requirementLabels) {

        public String label(String checklist, String requirement) {
            return requirementLabels.getOrDefault(checklist + "/" + requirement, requirement);
        }

        public PaperType type(String code) {
            return types.get(code);
        }
    }

    @Transactional(readOnly = true)
    public Rules rules() {
        Map<String, PaperType> byCode = new LinkedHashMap<>();
        types.findAllByOrderByLabel().forEach(t -> byCode.put(t.code(), t));
        List<DocumentType> forRules =
                byCode.values().stream().map(PaperType::forRules).toList();
        List<KeptChecklist> kept = checklists.findAllByOrderByOrdinal();
        List<Checklist> lists = kept.stream()
                .map(c -> RulesJson.checklist(c.definition(), byCode.keySet()))
                .toList();
        return new Rules(RuleBook.of(forRules, lists), byCode, labels(kept));
    }

    private static Map<String, String> labels(List<KeptChecklist> kept) {
        Map<String, String> labels = new HashMap<>();
        for (KeptChecklist list : kept) {
            list.requirementLabels().forEach((code, label) -> labels.put(list.code() + "/" + code, label));
        }
        return labels;
    }

    public List<Section> sections() {
        return sections.findAllByOrderByOrdinal();
    }

    public List<PaperType> types() {
        return types.findAllByOrderByLabel();
    }

    /** @throws Refusal when there is no such type */
    public PaperType type(String code) {
        return types.findById(code)
                .orElseThrow(() -> Refusal.invalid("type", "There is no document type " + code + "."));
    }

    @Transactional
    public void add(Section section) {
        sections.save(section);
    }

    @Transactional
    public void add(PaperType type) {
        types.save(type);
    }

    /** @throws app.denfold.exchange.BadInput when the definition cannot be read, with its place */
    @Transactional
    public void add(KeptChecklist checklist) {
        List<String> codes = types().stream().map(PaperType::code).toList();
        RulesJson.checklist(checklist.definition(), java.util.Set.copyOf(codes));
        checklists.save(checklist);
    }
}
