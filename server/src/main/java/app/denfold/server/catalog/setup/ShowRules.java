package app.denfold.server.catalog.setup;

import app.denfold.core.filing.Subject;
import app.denfold.core.filing.TypeField;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.ChecklistRepository;
import app.denfold.server.catalog.ChecklistVersion;
import app.denfold.server.catalog.KeptChecklist;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Signer;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Sections, types and checklists as set-up shows them, for administrators. */
@Service
class ShowRules {

    private final Catalog catalog;
    private final ChecklistRepository checklists;
    private final JsonMapper mapper = new JsonMapper();

    ShowRules(Catalog catalog, ChecklistRepository checklists) {
        this.catalog = catalog;
        this.checklists = checklists;
    }

    record SectionAnswerOfSetUp(
            String code,
            String label,
            boolean sensitive,
            @Nullable Subject subject,
            int types) {}

    record TypeSetUp(
            String code,
            int version,
            String label,
            String section,
            @Schema(ref = RulesInOpenApi.VALIDITY) JsonNode validity,
            String namingPattern,
            List<Signer> signers,
            boolean needsReview,
            boolean sensitive,
            List<String> synonyms,
            List<TypeField> fields,
            @Nullable UUID reviewer,
            SetUpRules.ReceivingDetails receiving) {}

    /** @param to last day in force; null for the newest version */
    record ChecklistVersionAnswer(
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            @Schema(ref = RulesInOpenApi.CHECKLIST) JsonNode definition,
            Map<String, String> labels) {}

    /** @param versions oldest first */
    record ChecklistSetUp(String code, int version, String label, List<ChecklistVersionAnswer> versions) {}

    List<SectionAnswerOfSetUp> sections(Viewer viewer) {
        viewer.requireAdministrator();
        List<KeptDocumentType> types = catalog.types();
        return catalog.sections().stream()
                .map(s -> new SectionAnswerOfSetUp(s.code(), s.label(), s.sensitive(), s.subject(), (int)
                        types.stream().filter(t -> t.section().equals(s.code())).count()))
                .toList();
    }

    List<TypeSetUp> types(Viewer viewer) {
        viewer.requireAdministrator();
        return catalog.types().stream()
                .map(t -> new TypeSetUp(
                        t.code(),
                        t.version(),
                        t.label(),
                        t.section(),
                        mapper.readTree(t.validity()),
                        t.namingPatternText(),
                        t.signers(),
                        t.needsReview(),
                        t.isSensitive(),
                        t.synonyms(),
                        t.fields(),
                        t.reviewer(),
                        SetUpRules.ReceivingDetails.of(t.receiving())))
                .toList();
    }

    @Transactional(readOnly = true)
    List<ChecklistSetUp> checklists(Viewer viewer) {
        viewer.requireAdministrator();
        return checklists.findAllWithVersions().stream().map(this::answer).toList();
    }

    private ChecklistSetUp answer(KeptChecklist list) {
        List<ChecklistVersionAnswer> versions = new ArrayList<>();
        for (ChecklistVersion v : list.versions()) {
            versions.add(new ChecklistVersionAnswer(
                    v.fromDay(),
                    list.lastDay(versions.size()),
                    mapper.readTree(v.definition()),
                    v.requirementLabels()));
        }
        return new ChecklistSetUp(list.code(), list.version(), list.label(), versions);
    }
}
