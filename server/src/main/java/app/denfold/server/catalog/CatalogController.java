package app.denfold.server.catalog;

import app.denfold.core.filing.Subject;
import app.denfold.core.filing.TypeField;
import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
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

    /** @param subject what files are about that have papers of this type; null for all files */
    record TypeAnswer(
            String code,
            String label,
            String section,
            String sectionLabel,
            @Nullable Subject subject,
            List<Signer> signers,
            boolean needsReview,
            List<String> synonyms,
            List<String> fields) {}

    /** The types that the viewer may file and see. */
    @GetMapping("/api/document-types")
    List<TypeAnswer> types(Viewer viewer) {
        Map<String, Section> sections = catalog.sections().stream().collect(Collectors.toMap(Section::code, s -> s));
        return catalog.types().stream()
                .filter(t -> viewer.maySee(List.of(t.code())))
                .map(t -> answer(t, Objects.requireNonNull(sections.get(t.section()))))
                .toList();
    }

    private static TypeAnswer answer(KeptDocumentType type, Section section) {
        return new TypeAnswer(
                type.code(),
                type.label(),
                section.code(),
                section.label(),
                section.subject(),
                type.signers(),
                type.needsReview(),
                type.synonyms(),
                type.fields().stream().map(TypeField::name).toList());
    }
}
