package app.denfold.core.rules;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The document types and checklists of a practice. */
public final class RuleBook {

    private final Map<String, DocumentType> types;
    private final List<Checklist> checklists;

    private RuleBook(Map<String, DocumentType> types, List<Checklist> checklists) {
        this.types = types;
        this.checklists = checklists;
    }

    /**
     * @throws IllegalArgumentException when two types or two checklists have the same code, or a requirement names a
     *     type that is not among the types
     */
    public static RuleBook of(List<DocumentType> types, List<Checklist> checklists) {
        Map<String, DocumentType> byCode = new HashMap<>();
        for (DocumentType type : types) {
            if (byCode.put(type.code(), type) != null) {
                throw new IllegalArgumentException("Two document types are called " + type.code());
            }
        }
        for (Checklist checklist : checklists) {
            for (Requirement requirement : checklist.requirements()) {
                requirement
                        .evidence()
                        .types()
                        .filter(t -> !byCode.containsKey(t))
                        .findFirst()
                        .ifPresent(unknown -> {
                            throw new IllegalArgumentException("No document type is called " + unknown);
                        });
            }
        }
        return new RuleBook(byCode, List.copyOf(checklists));
    }

    public List<Checklist> checklists() {
        return checklists;
    }

    DocumentType type(String code) {
        DocumentType type = types.get(code);
        if (type == null) {
            throw new IllegalArgumentException("No document type is called " + code);
        }
        return type;
    }

    boolean knows(String typeCode) {
        return types.containsKey(typeCode);
    }
}
