package app.denfold.server.letters;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.LetterValue;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Codes;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.letters.KnownNames.Name;
import app.denfold.server.people.PersonFile;
import app.denfold.server.visits.VisitsOfFile;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/**
 * What letters can say of other papers in the file, and of the next visit: {@code paper.horse-insurance.policy-number} is
 * that field of the newest such paper.
 */
@Component
class KnownOfPapers {

    private static final String PAPER = "paper.";
    private static final String NEXT_VISIT = "visit.next";
    private static final String NEXT_VISIT_FOR = "visit.for";
    private static final String DATE = "date";

    private final Catalog catalog;
    private final Documents documents;
    private final VisitsOfFile visits;

    KnownOfPapers(Catalog catalog, Documents documents, VisitsOfFile visits) {
        this.catalog = catalog;
        this.documents = documents;
        this.visits = visits;
    }

    /** @param viewer who is told only of types that he may know of */
    List<Name> all(Viewer viewer) {
        return all(catalog.types().stream()
                .filter(t -> viewer.maySee(List.of(t.code())))
                .toList());
    }

    /** Those of all types, whoever asks. */
    List<Name> all() {
        return all(catalog.types());
    }

    private static List<Name> all(List<KeptDocumentType> types) {
        List<Name> names = new ArrayList<>();
        names.add(new Name(NEXT_VISIT, "the next visit", AskedFor.Kind.DAY));
        names.add(new Name(NEXT_VISIT_FOR, "what the next visit is for", AskedFor.Kind.TEXT));
        for (KeptDocumentType type : types) {
            names.add(new Name(name(type.code(), DATE), type.label() + ": its date", AskedFor.Kind.DAY));
            type.fields()
                    .forEach(f -> names.add(new Name(
                            name(type.code(), Codes.of(f.name())),
                            type.label() + ": " + f.name(),
                            AskedFor.Kind.TEXT)));
        }
        return names;
    }

    private static String name(String type, String field) {
        return PAPER + type + "." + field;
    }

    /** @param wanted names that the letter says; of others nothing is looked up */
    Map<String, LetterValue> of(Viewer viewer, PersonFile file, LocalDate day, Set<String> wanted) {
        Map<String, LetterValue> known = new HashMap<>();
        if (wanted.contains(NEXT_VISIT) || wanted.contains(NEXT_VISIT_FOR)) {
            visits.of(viewer, file.id()).stream()
                    .filter(VisitsOfFile.VisitAnswer::isNext)
                    .findFirst()
                    .ifPresent(visit -> {
                        known.put(NEXT_VISIT, LetterValue.day(visit.day()));
                        String words = visit.words();
                        if (words != null) {
                            known.put(NEXT_VISIT_FOR, LetterValue.text(words));
                        }
                    });
        }
        if (wanted.stream().anyMatch(n -> n.startsWith(PAPER))) {
            // the newest first: what it says is not said again by an older one
            documents.ofFile(file.id()).stream()
                    .filter(p -> p.existsOn(day) && !p.isAwaited() && viewer.maySee(p.types()))
                    .forEach(p -> tell(known, p));
        }
        return known;
    }

    private static void tell(Map<String, LetterValue> known, FiledDocument paper) {
        for (String type : paper.types()) {
            known.putIfAbsent(name(type, DATE), LetterValue.day(paper.documentDate()));
            paper.fields().forEach((field, value) -> {
                if (!value.isBlank()) {
                    known.putIfAbsent(name(type, Codes.of(field)), LetterValue.text(value));
                }
            });
        }
    }
}
