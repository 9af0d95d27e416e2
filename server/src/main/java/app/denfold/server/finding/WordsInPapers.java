package app.denfold.server.finding;

import app.denfold.core.finding.WantedWords;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.wholefile.PapersOfFile;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where wanted words stand in papers that the viewer may see. */
@Service
class WordsInPapers {

    private final WordsOnPages words;
    private final VersionDifferences differences;
    private final PapersOfFile papersOfFile;
    private final Documents documents;

    WordsInPapers(WordsOnPages words, VersionDifferences differences, PapersOfFile papersOfFile, Documents documents) {
        this.words = words;
        this.differences = differences;
        this.papersOfFile = papersOfFile;
        this.documents = documents;
    }

    record AroundAnswer(UUID documentId, int page, int places, String before, String text, String after) {}

    /** For each of up to 100 papers the first place where wanted words stand, with what stands around it. */
    @Transactional(readOnly = true)
    List<AroundAnswer> around(Viewer viewer, List<UUID> papers, FindCriteria criteria) {
        if (papers.size() > 100) {
            throw Refusal.invalid("documents", "At most 100 papers at once.");
        }
        WantedWords wanted = criteria.wanted();
        if (wanted.isEmpty()) {
            return List.of();
        }
        Map<UUID, String> latest = new HashMap<>();
        for (FiledDocument document : documents.visible(viewer, papers)) {
            latest.put(document.id(), document.latest().sha256());
        }
        Map<String, WordsOnPages.WordsAround> byHash = new HashMap<>();
        words.around(List.copyOf(latest.values()), wanted).forEach(a -> byHash.put(a.sha256(), a));
        return latest.entrySet().stream()
                .flatMap(e -> Optional.ofNullable(byHash.get(e.getValue()))
                        .map(a -> new AroundAnswer(e.getKey(), a.page(), a.places(), a.before(), a.text(), a.after()))
                        .stream())
                .toList();
    }

    /** Where in one paper the words stand. @param typed as one line */
    @Transactional(readOnly = true)
    WordsOnPages.PaperWords in(Viewer viewer, UUID id, int number, String typed) {
        FindCriteria criteria = FindCriteria.ofWords(typed);
        List<DocumentVersion> versions = documents.visible(viewer, id).versions();
        if (number < 1 || number > versions.size()) {
            throw Refusal.notFound("version");
        }
        return words.in(versions.get(number - 1).sha256(), criteria.wanted());
    }

    /** In which words a version differs from an older one. @param from number of the older one */
    @Transactional(readOnly = true)
    VersionDifferences.Differences differences(Viewer viewer, UUID id, int from, int number) {
        List<DocumentVersion> versions = documents.visible(viewer, id).versions();
        if (from < 1 || number < 1 || from > versions.size() || number > versions.size()) {
            throw Refusal.notFound("version");
        }
        return differences.between(
                versions.get(from - 1).sha256(), versions.get(number - 1).sha256());
    }

    /** @param places how many there are */
    record WordsInFile(UUID documentId, int places, List<WordsOnPages.PageWords> pages) {}

    /** Where in the newest versions of a file's papers the words stand; papers without them are left out. */
    @Transactional(readOnly = true)
    List<WordsInFile> inFile(Viewer viewer, UUID id, String typed) {
        WantedWords wanted = FindCriteria.ofWords(typed).wanted();
        Map<String, List<UUID>> byHash = new HashMap<>();
        List<UUID> ids = papersOfFile.of(viewer, id).stream()
                .map(PapersOfFile.PaperInFile::id)
                .toList();
        for (FiledDocument document : documents.visible(viewer, ids)) {
            byHash.computeIfAbsent(document.latest().sha256(), h -> new ArrayList<>())
                    .add(document.id());
        }
        return words.in(byHash.keySet(), wanted).entrySet().stream()
                .flatMap(e -> Objects.requireNonNull(byHash.get(e.getKey())).stream()
                        .map(d -> new WordsInFile(
                                d, e.getValue().places(), e.getValue().pages())))
                .toList();
    }
}
