package app.denfold.server.marks.words;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.WordsToCover;
import app.denfold.core.marks.WordsToCover.Hit;
import app.denfold.core.marks.WordsToCover.Wanted;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.marks.Marks;
import app.denfold.server.marks.Marks.MarkAnswer;
import app.denfold.server.marks.Marks.NewMark;
import app.denfold.server.marks.ReadWords;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import app.denfold.server.relations.PeopleAround;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks on papers for words that are to be covered, and covers those that were chosen among what was found. */
@Service
class CoverByWords {

    private static final int MOST_PAPERS = 200;
    private static final int MOST_HITS = 2_000;

    private final Marks marks;
    private final ReadWords words;
    private final Documents documents;
    private final Contents contents;
    private final PersonFiles files;
    private final PeopleAround around;

    CoverByWords(
            Marks marks,
            ReadWords words,
            Documents documents,
            Contents contents,
            PersonFiles files,
            PeopleAround around) {
        this.marks = marks;
        this.words = words;
        this.documents = documents;
        this.contents = contents;
        this.files = files;
        this.around = around;
    }

    /**
     * A place where such words stand.
     *
     * @param areas none when it is not known where on the page
     * @param likely whether it is only much like what is looked for
     * @param isCovered whether a cover lies there already
     */
    record FoundWords(int page, String words, List<PageBox> areas, boolean likely, boolean isCovered) {}

    /**
     * What was found on a paper.
     *
     * @param version the newest, which would be covered
     * @param isRead false while its pages are still being read
     * @param unread pages on which no words could be read, so that nothing is found there
     */
    record FoundOnPaper(
            UUID documentId,
            String paper,
            int version,
            boolean isRead,
            List<Integer> unread,
            List<FoundWords> places) {}

    /** @throws Refusal when nothing is looked for, on too many papers, or too much is found */
    @Transactional
    List<FoundOnPaper> look(Viewer viewer, List<UUID> ids, List<String> phrases, Set<WordsToCover.What> what) {
        viewer.require(Marking.MAKES);
        if (phrases.stream().allMatch(String::isBlank) && what.isEmpty()) {
            throw Refusal.invalid("phrases", "Say which words are to be covered.");
        }
        if (ids.size() > MOST_PAPERS) {
            throw Refusal.invalid("documents", "Choose up to " + MOST_PAPERS + " papers at once.");
        }
        List<FoundOnPaper> found = new ArrayList<>();
        int hits = 0;
        for (FiledDocument document : documents.visible(viewer, ids)) {
            Wanted wanted = new Wanted(phrases, what, births(viewer, document.fileId()));
            FoundOnPaper on = on(document, wanted);
            hits += on.places().size();
            if (hits > MOST_HITS) {
                throw Refusal.invalid(
                        "phrases", "These words stand in more than " + MOST_HITS + " places. Look for fewer at once.");
            }
            found.add(on);
        }
        return found;
    }

    private FoundOnPaper on(FiledDocument document, Wanted wanted) {
        int version = document.versions().size();
        String sha256 = document.latest().sha256();
        Map<Integer, WordsToCover.Page> pages = new TreeMap<>(words.of(sha256));
        List<MarkAnswer> covers = marks.forCopy(document.id(), version).stream()
                .filter(m -> m.shape().kind() == MarkKind.COVER)
                .toList();
        List<FoundWords> places = new ArrayList<>();
        pages.forEach((number, page) -> {
            for (Hit hit : WordsToCover.on(page, wanted)) {
                places.add(
                        new FoundWords(number, hit.words(), hit.areas(), hit.likely(), isCovered(number, hit, covers)));
            }
        });
        List<Integer> unread = new ArrayList<>();
        int all = contents.content(sha256).pages();
        for (int page = 1; page <= all; page++) {
            if (!pages.containsKey(page)) {
                unread.add(page);
            }
        }
        return new FoundOnPaper(document.id(), document.name(), version, words.isReadOrAsked(sha256), unread, places);
    }

    private static boolean isCovered(int page, Hit hit, List<MarkAnswer> covers) {
        return !hit.areas().isEmpty()
                && hit.areas().stream().allMatch(a -> covers.stream()
                        .filter(c -> c.page() == page)
                        .flatMap(c -> c.shape().areas().stream())
                        .anyMatch(c -> a.partIn(c) > 0.7));
    }

    private Set<LocalDate> births(Viewer viewer, UUID fileId) {
        Set<LocalDate> births = new HashSet<>();
        LocalDate own = files.visible(viewer, fileId).birthDate();
        if (own != null) {
            births.add(own);
        }
        return births;
    }

    /** What of a file is likely to be covered somewhere: names, numbers and addresses of the person and of those around. */
    @Transactional(readOnly = true)
    List<String> proposals(Viewer viewer, UUID fileId) {
        viewer.require(Marking.MAKES);
        PersonFile file = files.visible(viewer, fileId);
        Collection<String> proposals = new LinkedHashSet<>();
        proposals.add(file.name());
        proposals.add(file.familyName());
        proposals.addAll(file.formerNames());
        proposals.addAll(file.identifiers());
        around.around(viewer, fileId).forEach(s -> proposals.add(s.name()));
        return proposals.stream()
                .filter(p -> p != null && !p.isBlank())
                .limit(20)
                .toList();
    }

    /** Places chosen on one paper. */
    record Chosen(UUID documentId, int version, List<NewMark> covers) {}

    /** Covers all of them or, when one cannot be, none. @return how many */
    @Transactional
    int cover(Viewer viewer, List<Chosen> chosen) {
        int count = 0;
        for (Chosen paper : chosen) {
            List<NewMark> covers = paper.covers().stream()
                    .map(m -> new NewMark(
                            m.page(),
                            MarkShape.cover(m.shape().areas(), m.shape().reason())))
                    .toList();
            count += marks.put(viewer, paper.documentId(), paper.version(), covers)
                    .size();
        }
        return count;
    }
}
