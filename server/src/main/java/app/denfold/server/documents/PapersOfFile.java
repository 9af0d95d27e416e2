package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.PaperTypes;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.people.Files;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All papers of a file for reading it as a whole, in few reads however many they are. */
@Service
public class PapersOfFile {

    private final Documents documents;
    private final Files files;
    private final Catalog catalog;
    private final Contents contents;

    PapersOfFile(Documents documents, Files files, Catalog catalog, Contents contents) {
        this.documents = documents;
        this.files = files;
        this.catalog = catalog;
        this.contents = contents;
    }

    /**
     * @param state {@code filed}, {@code in review}, {@code sent back}, {@code unsigned}, {@code awaited}
     *     or {@code entered in error}
     * @param version number of the newest one, which is shown
     */
    public record PaperInFile(
            UUID id,
            String name,
            List<String> typeLabels,
            LocalDate documentDate,
            String state,
            String filedBy,
            int version,
            String mediaType,
            int pages) {}

    /** The newest date first. */
    @Transactional(readOnly = true)
    public List<PaperInFile> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        Catalog.Rules rules = catalog.rules();
        List<FiledDocument> visible = documents.ofFile(fileId).stream()
                .filter(d -> viewer.seesSensitive() || !rules.types(d.types()).isSensitive())
                .toList();
        Map<String, Content> bytes =
                contents.contents(visible.stream().map(d -> d.latest().sha256()).toList());
        return visible.stream()
                .map(d -> paper(d, rules.types(d.types()), bytes.get(d.latest().sha256())))
                .toList();
    }

    private static PaperInFile paper(FiledDocument d, PaperTypes types, Content content) {
        return new PaperInFile(
                d.id(),
                d.name(),
                types.labels(),
                d.documentDate(),
                d.stateIn(types),
                d.filedBy(),
                d.versions().size(),
                content.mediaType(),
                content.pages());
    }
}
