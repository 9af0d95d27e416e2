package app.denfold.server.portal.seeing;

import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds what somebody outside is shown by its name, its type and its words; whatever else there is leaves no trace. */
@Service
public class SearchShown {

    private final ShownPapers shown;
    private final Documents documents;
    private final Readings readings;

    SearchShown(ShownPapers shown, Documents documents, Readings readings) {
        this.shown = shown;
        this.documents = documents;
        this.readings = readings;
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
        Map<String, List<ReadPage>> pages =
                readings.pages(papers.stream().map(p -> p.latest().sha256()).collect(Collectors.toSet()));
        return papers.stream()
                .filter(paper -> {
                    String words = " "
                            + plain(paper.name() + " " + documents.typeLabel(paper) + " "
                                            + pages.getOrDefault(paper.latest().sha256(), List.of()).stream()
                                                    .map(ReadPage::text)
                                                    .collect(Collectors.joining(" ")))
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
