package app.denfold.server.documents.paging;

import app.denfold.server.access.SensitiveThings;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.pages.PaperTurns;
import app.denfold.server.problems.Refusal;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Says which papers give pages to another, and how their pages are read. */
@Component
public class PagesOfOthers {

    private final Documents documents;
    private final Contents contents;
    private final PaperTurns turns;
    private final List<SensitiveThings> sensitive;

    PagesOfOthers(Documents documents, Contents contents, PaperTurns turns, List<SensitiveThings> sensitive) {
        this.documents = documents;
        this.contents = contents;
        this.turns = turns;
        this.sensitive = sensitive;
    }

    /**
     * Into what pages go.
     *
     * @param types codes of what it is
     * @param name as whoever puts them in knows it
     */
    public record Into(UUID fileId, Set<String> types, String name) {}

    /**
     * A paper whose pages may go into another: one of the same file, whose name everybody there may read, and what is
     * sensitive stays among what is.
     *
     * @throws Refusal when they may not, or the viewer does not see it
     */
    public FiledDocument giving(Viewer viewer, Into into, UUID id) {
        FiledDocument other = documents.visible(viewer, id);
        if (!other.fileId().equals(into.fileId)) {
            throw Refusal.conflict(
                    "other-file", "“" + other.name() + "” lies in another file. Move it here, or copy it, first.");
        }
        if (other.isEnteredInError()) {
            throw Refusal.conflict("entered-in-error", "“" + other.name() + "” was marked as entered in error.");
        }
        Set<String> codes = sensitive.stream()
                .flatMap(s -> s.typesWithSections().keySet().stream())
                .collect(Collectors.toSet());
        boolean isSensitive = other.types().stream().anyMatch(codes::contains);
        if (isSensitive && into.types.stream().noneMatch(codes::contains)) {
            throw Refusal.conflict(
                    "sensitive-pages",
                    "“" + other.name() + "” is sensitive and “" + into.name
                            + "” is not: more people would see its pages there.");
        }
        return other;
    }

    /** Its newest version. @throws Refusal when it has no pages that can be put elsewhere */
    public Content paged(FiledDocument document) {
        Content content = contents.content(document.latest().sha256());
        if (OfficePages.isOffice(content)) {
            throw Refusal.conflict(
                    "office-file",
                    "“" + document.name()
                            + "” is an office file: its pages are changed in the program it was made with.");
        }
        if (content.pages() == 0) {
            throw Refusal.conflict("no-pages", "“" + document.name() + "” has no pages that could be moved.");
        }
        return content;
    }

    /** For each of its pages, by how many degrees clockwise it is turned as it is read. */
    public List<Integer> turns(Content content) {
        List<Integer> turned = turns.of(content.sha256());
        return turned.isEmpty() ? Collections.nCopies(content.pages(), 0) : turned;
    }
}
