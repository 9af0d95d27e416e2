package app.denfold.server.leaving;

import app.denfold.core.filing.PlainText;
import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.WordsToCover;
import app.denfold.paper.copies.Cover;
import app.denfold.paper.copies.LeavingCopy;
import app.denfold.paper.copies.ShownMark;
import app.denfold.paper.reading.PageFacts;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.content.Contents;
import app.denfold.server.content.covering.CoveredCopies;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.leaving.LeavingPaper.Bytes;
import app.denfold.server.leaving.LeavingPaper.Source;
import app.denfold.server.marks.ClosedCovers;
import app.denfold.server.marks.Marks;
import app.denfold.server.marks.Marks.MarkAnswer;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.nio.charset.StandardCharsets;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes copies of papers for somebody, to be looked at as the reader will see them; nothing leaves yet. */
@Service
class DraftCopies {

    /** Shorter words stand everywhere, and say nothing about what is covered. */
    private static final int LEAST_LETTERS = 4;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

    private final LeavingPaperRepository copies;
    private final CoveredCopies making;
    private final ClosedCovers covers;
    private final Marks marks;
    private final Documents documents;
    private final Contents contents;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    DraftCopies(
            LeavingPaperRepository copies,
            CoveredCopies making,
            ClosedCovers covers,
            Marks marks,
            Documents documents,
            Contents contents,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.copies = copies;
        this.making = making;
        this.covers = covers;
        this.marks = marks;
        this.documents = documents;
        this.contents = contents;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /**
     * How the copies are to be.
     *
     * @param marks whether highlights, notes and the like go with them
     * @param open whether covers are open
     * @param foot whether a line at the foot of each page says which copy it is and whose
     */
    record Wish(Reader reader, boolean marks, boolean open, boolean foot) {}

    /**
     * A copy to be looked at.
     *
     * @param number by which it will be known
     * @param covered how many covers are closed
     * @param moved covers that stand as on an earlier version, where nobody has looked on this one
     * @param stillReadable words that are covered and can be read elsewhere in it, each with where
     * @param isOriginal whether the reader gets the very bytes of the paper, with a seal they may have
     */
    record Draft(
            UUID id,
            long number,
            UUID documentId,
            String paper,
            int pages,
            int covered,
            int moved,
            List<String> stillReadable,
            boolean isOriginal) {}

    /** @throws Refusal when the viewer may not, nobody is named, or a copy of one of them cannot be made */
    List<Draft> draft(Viewer viewer, List<UUID> ids, Wish wish) {
        wish.reader.require();
        if (wish.open) {
            viewer.require(Marking.OPENS_COVERS);
        }
        if (wish.marks) {
            viewer.require(Marking.SEES);
        }
        if (ids.isEmpty() || ids.size() > CopiesOut.MOST_PAPERS) {
            throw Refusal.invalid("documents", "Choose from 1 to " + CopiesOut.MOST_PAPERS + " papers.");
        }
        Map<UUID, FiledDocument> visible =
                documents.visible(viewer, ids).stream().collect(Collectors.toMap(FiledDocument::id, d -> d));
        List<Draft> drafts = new ArrayList<>();
        for (UUID id : ids) {
            FiledDocument paper = visible.get(id);
            if (paper == null) {
                throw Refusal.notFound("document");
            }
            drafts.add(draft(viewer, paper, wish));
        }
        return drafts;
    }

    private Draft draft(Viewer viewer, FiledDocument paper, Wish wish) {
        int version = paper.versions().size();
        List<MarkAnswer> all = marks.forCopy(paper.id(), version);
        List<Cover> wanted = covers.covers(paper.id(), version, paper.latest());
        List<Cover> closed = wish.open ? List.of() : wanted;
        List<ShownMark> shown = wish.marks ? shown(all, closed) : List.of();
        long number = copies.nextNumber();
        String foot = wish.foot
                ? "Copy " + number + " for " + wish.reader.name().strip() + ", " + DAY.format(calendar.today())
                : null;
        Source source = new Source(paper.id(), version, hash(wanted));
        boolean isOriginal = closed.isEmpty() && shown.isEmpty() && foot == null;
        String original = paper.latest().sha256();
        CoveredCopies.@Nullable Made made =
                isOriginal ? null : making.make(original, new LeavingCopy.Wanted(closed, shown, foot));
        List<String> readable = made == null ? List.of() : stillReadable(made.pages(), closed);
        LeavingPaper copy = transactions.execute(t -> {
            if (made != null) {
                contents.register(made.copy());
            }
            return copies.save(new LeavingPaper(
                    number,
                    source,
                    new Bytes(
                            made == null ? original : made.copy().sha256(),
                            made == null
                                    ? contents.content(original).pages()
                                    : made.pages().size(),
                            closed.size(),
                            wish.open && !wanted.isEmpty(),
                            closed.stream()
                                    .map(Cover::reason)
                                    .filter(Objects::nonNull)
                                    .distinct()
                                    .toList(),
                            readable,
                            !shown.isEmpty(),
                            foot),
                    wish.reader,
                    viewer,
                    calendar.now()));
        });
        int moved = (int) all.stream()
                .filter(m -> m.shape().kind() == MarkKind.COVER && m.carriedFrom() != null)
                .count();
        return new Draft(
                copy.id(),
                copy.number(),
                paper.id(),
                paper.name(),
                copy.pages(),
                copy.covered(),
                moved,
                readable,
                isOriginal);
    }

    /** Marks that lie beneath a cover, and covers themselves, do not go with the copy. */
    private static List<ShownMark> shown(List<MarkAnswer> all, List<Cover> closed) {
        return all.stream()
                .filter(m -> m.shape().kind() != MarkKind.COVER)
                .filter(m -> closed.stream()
                        .filter(c -> c.page() == m.page())
                        .flatMap(c -> c.areas().stream())
                        .noneMatch(a -> a.overlaps(m.shape().asShape().place())))
                .map(m -> new ShownMark(m.page(), m.shape().asShape(), m.by(), m.at().toEpochMilli()))
                .toList();
    }

    /** By which it is known whether covers changed. */
    static String hash(List<Cover> covers) {
        String places = covers.stream()
                .map(c -> c.page() + " " + c.areas() + " " + c.reason())
                .collect(Collectors.joining(";"));
        return Secrets.sha256(places.getBytes(StandardCharsets.UTF_8));
    }

    /** Words that are covered and stand open elsewhere, such as {@code “Korhola”, page 2}. */
    private static List<String> stillReadable(List<PageFacts> pages, List<Cover> closed) {
        Map<String, TreeSet<Integer>> found = new LinkedHashMap<>();
        for (Cover cover : closed) {
            String words = String.join(" ", cover.words());
            if (PlainText.of(words).replace(" ", "").length() < LEAST_LETTERS || found.containsKey(words)) {
                continue;
            }
            for (PageFacts page : pages) {
                WordsToCover.Page read = new WordsToCover.Page(page.text(), List.of());
                boolean isThere = WordsToCover.on(read, WordsToCover.Wanted.phrases(words)).stream()
                        .anyMatch(hit -> !hit.likely());
                if (isThere) {
                    found.computeIfAbsent(words, w -> new TreeSet<>()).add(page.number());
                }
            }
        }
        return found.entrySet().stream()
                .map(e -> "“" + e.getKey() + "”, page "
                        + e.getValue().stream().map(String::valueOf).collect(Collectors.joining(", ")))
                .toList();
    }
}
