package app.denfold.server.catalog;

import app.denfold.core.filing.TypeField;
import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CatalogController {

    private final Catalog catalog;

    CatalogController(Catalog catalog) {
        this.catalog = catalog;
    }

    record TypeAnswer(
            String code,
            String label,
            String section,
            String sectionLabel,
            List<Signer> signers,
            boolean needsReview,
            List<String> synonyms,
            List<String> fields) {}

    /** The types that the viewer may file and see. */
    @GetMapping("/api/document-types")
    List<TypeAnswer> types(Viewer viewer) {
        Map<String, String> sections =
                catalog.sections().stream().collect(Collectors.toMap(Section::code, Section::label));
        return catalog.types().stream()
                .filter(t -> viewer.maySee(List.of(t.code())))
                .map(t -> new TypeAnswer(
                        t.code(),
                        t.label(),
                        t.section(),
                        Objects.requireNonNull(sections.get(t.section())),
                        t.signers(),
                        t.needsReview(),
                        t.synonyms(),
                        t.fields().stream().map(TypeField::name).toList()))
                .toList();
    }
}
