package app.denfold.server.marks;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.WordsToCover;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What whoever is given a paper can read on it. */
@Component
public class OpenWords {

    private final PaperMarkRepository marks;
    private final ReadWords words;
    private final Readings readings;

    OpenWords(PaperMarkRepository marks, ReadWords words, Readings readings) {
        this.readings = readings;
        this.marks = marks;
        this.words = words;
    }

    /** By paper, the words of its newest version without those beneath covers. */
    public Map<UUID, String> of(Collection<FiledDocument> papers) {
        Set<UUID> covered =
                marks.findCovered(papers.stream().map(FiledDocument::id).toList());
        Map<String, List<ReadPage>> pages =
                readings.pages(papers.stream().map(p -> p.latest().sha256()).collect(Collectors.toSet()));
        return papers.stream()
                .collect(Collectors.toMap(
                        FiledDocument::id,
                        p -> covered.contains(p.id())
                                ? covered(p)
                                : pages.getOrDefault(p.latest().sha256(), List.of()).stream()
                                        .map(ReadPage::text)
                                        .collect(Collectors.joining(" "))));
    }

    private String covered(FiledDocument paper) {
        Map<Integer, List<PageBox>> covers = marks
                .findOnVersion(paper.id(), paper.versions().size())
                .stream()
                .filter(m -> m.kind() == MarkKind.COVER)
                .collect(Collectors.groupingBy(
                        PaperMark::page, Collectors.flatMapping(m -> m.shape().areas().stream(), Collectors.toList())));
        return new TreeMap<>(words.of(paper.latest().sha256()))
                .entrySet().stream()
                        .map(e -> covers.containsKey(e.getKey())
                                ? WordsToCover.openText(e.getValue(), covers.get(e.getKey()))
                                : e.getValue().text())
                        .collect(Collectors.joining(" "));
    }
}
