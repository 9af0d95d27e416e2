package app.denfold.server.documents.wholefile;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.filing.Writers;
import app.denfold.core.people.Visits;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.pages.PaperTurns;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.visits.VisitsOfFile;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All papers of a file for reading it as a whole, in few reads however many they are. */
@Service
public class PapersOfFile {

    private final Documents documents;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Contents contents;
    private final Kinds kinds;
    private final Accounts accounts;
    private final VisitsOfFile visits;
    private final PaperTurns turns;

    PapersOfFile(
            Documents documents,
            PersonFiles files,
            Catalog catalog,
            Contents contents,
            Kinds kinds,
            Accounts accounts,
            VisitsOfFile visits,
            PaperTurns turns) {
        this.visits = visits;
        this.turns = turns;
        this.kinds = kinds;
        this.accounts = accounts;
        this.documents = documents;
        this.files = files;
        this.catalog = catalog;
        this.contents = contents;
    }

    /**
     * @param authorTitle what he who filed it is in the practice; null when he has no account
     * @param writers who wrote it, as far as its fields and signatures tell
     * @param periods the times in the person's life here in which its day lies: the value of each fact that changed
     * @param visit to which it belongs by its day; null when it is older than the first
     * @param turned by how many degrees clockwise readers turned it, on top of how recognition set its pages upright
     * @param version number of the newest one, which is shown
     */
    public record PaperInFile(
            UUID id,
            String name,
            List<String> typeLabels,
            LocalDate documentDate,
            LocalDate receivedOn,
            DocumentState state,
            String source,
            String filedBy,
            @Nullable String authorTitle,
            List<String> writers,
            List<String> periods,
            @Nullable LocalDate visit,
            @Nullable String description,
            int version,
            String mediaType,
            long size,
            int pages,
            int turned) {}

    /** The newest date first. */
    @Transactional(readOnly = true)
    public List<PaperInFile> of(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        Map<String, String> labels = kinds.kind(file.kind()).facts().stream()
                .collect(Collectors.toMap(FactDefinition::name, FactDefinition::label));
        Catalog.Rules rules = catalog.rules();
        List<FiledDocument> visible = documents.ofFile(fileId).stream()
                .filter(d -> viewer.maySee(d.types()))
                .toList();
        Map<String, Content> bytes =
                contents.contents(visible.stream().map(d -> d.latest().sha256()).toList());
        Map<String, String> titles =
                accounts.titles(visible.stream().map(FiledDocument::filedBy).collect(Collectors.toSet()));
        Visits times = visits.days(fileId);
        Map<String, Integer> turned = turns.byHand(bytes.keySet());
        return visible.stream()
                .map(d -> paper(
                        d,
                        rules.types(d.types()),
                        Objects.requireNonNull(bytes.get(d.latest().sha256())),
                        titles.get(d.filedBy()),
                        periods(viewer, file, labels, d.documentDate()),
                        times.visitOf(d.documentDate()).orElse(null),
                        turned.getOrDefault(d.latest().sha256(), 0)))
                .toList();
    }

    private static List<String> periods(Viewer viewer, PersonFile file, Map<String, String> labels, LocalDate day) {
        return file.passingFactsOn(day).stream()
                .filter(f -> viewer.maySeeFact(file.kind(), f.name()))
                .map(f -> labels.getOrDefault(f.name(), f.name()) + ": " + f.value())
                .distinct()
                .toList();
    }

    private static PaperInFile paper(
            FiledDocument d,
            DocumentTypes types,
            Content content,
            @Nullable String authorTitle,
            List<String> periods,
            @Nullable LocalDate visit,
            int turned) {
        return new PaperInFile(
                d.id(),
                d.name(),
                types.labels(),
                d.documentDate(),
                d.receivedOn(),
                d.state(types),
                d.source(),
                d.filedBy(),
                authorTitle,
                Writers.of(
                        d.fields(),
                        d.signatures().stream()
                                .map(s -> new Writers.Signed(s.role(), s.signer()))
                                .toList()),
                periods,
                visit,
                d.description(),
                d.versions().size(),
                content.mediaType(),
                content.size(),
                content.pages(),
                turned);
    }
}
