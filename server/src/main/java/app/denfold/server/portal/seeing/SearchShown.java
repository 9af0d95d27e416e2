package app.denfold.server.portal.seeing;

import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.marks.OpenWords;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds what somebody outside is shown by its name, its type and its words; whatever else there is leaves no trace. */
@Service
public class SearchShown {

    private final ShownPapers shown;
    private final Documents documents;
    private final OpenWords open;

    SearchShown(ShownPapers shown, Documents documents, OpenWords open) {
        this.shown = shown;
        this.documents = documents;
        this.open = open;
    }

    /** Ids of the papers in which every word stands, by beginnings of words and without regard to case and accents. */
    @Transactional(readOnly = true)
    public List<UUID> find(UUID accountId, String text) {
        List<String> wanted = Stream.of(plain(text).split("[^\\p{L}\\p{N}]+"))
                .filter(w -> !w.isEmpty())
                .toList();
        if (wanted.isEmpty()) {
            return List.of();
        }
        List<FiledDocument> papers =
                shown.of(accountId).stream().map(ShownPapers.Shown::paper).toList();
        Map<UUID, String> texts = open.of(papers);
        return papers.stream()
                .filter(paper -> {
                    String words = " "
                            + plain(paper.name() + " " + documents.typeLabel(paper) + " " + texts.get(paper.id()))
                                    .replaceAll("[^\\p{L}\\p{N}]+", " ");
                    return wanted.stream().allMatch(w -> words.contains(" " + w));
                })
                .map(FiledDocument::id)
                .toList();
    }

    private static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT);
    }
}
