package app.denfold.server.leaving;

import app.denfold.paper.Format;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.marks.ClosedCovers;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Copies of papers for somebody: given once they were looked at, fetched, and told who has which. */
@Service
public class CopiesOut {

    public static final int MOST_PAPERS = 50;

    private final LeavingPaperRepository copies;
    private final DraftCopies drafts;
    private final ClosedCovers covers;
    private final Documents documents;
    private final Contents contents;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    CopiesOut(
            LeavingPaperRepository copies,
            DraftCopies drafts,
            ClosedCovers covers,
            Documents documents,
            Contents contents,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.copies = copies;
        this.drafts = drafts;
        this.covers = covers;
        this.documents = documents;
        this.contents = contents;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /** The bytes of a copy that this viewer made to look at, or that was given. @throws Refusal when there is no such copy */
    @Transactional(readOnly = true)
    public String sha256(Viewer viewer, UUID id) {
        return visible(viewer, id).sha256();
    }

    private LeavingPaper visible(Viewer viewer, UUID id) {
        return visible(viewer, copies.findById(id));
    }

    private LeavingPaper visible(Viewer viewer, Optional<LeavingPaper> found) {
        LeavingPaper copy = found.orElseThrow(() -> Refusal.notFound("copy"));
        documents.visible(viewer, copy.documentId());
        if (copy.givenAt() == null && !copy.byId().equals(viewer.accountId())) {
            throw Refusal.notFound("copy");
        }
        if (copy.opened()) {
            viewer.require(Marking.OPENS_COVERS);
        }
        if (copy.marks()) {
            viewer.require(Marking.SEES);
        }
        return copy;
    }

    /**
     * How copies are given.
     *
     * @param evenIfReadable although words that are covered can be read elsewhere in them
     * @param mailId with which mail; null when with none
     * @param words how it was done, for the trail, such as {@code printed}
     */
    public record Handing(
            Way way, boolean evenIfReadable, @Nullable UUID mailId, String words) {

        static Handing here(Way way, boolean evenIfReadable) {
            return new Handing(way, evenIfReadable, null, way == Way.PRINT ? "printed" : "downloaded");
        }

        public static Handing inPortal(boolean evenIfReadable) {
            return new Handing(Way.PORTAL, evenIfReadable, null, "put into the portal");
        }

        public static Handing byMail(UUID mailId, boolean evenIfReadable, String words) {
            return new Handing(Way.MAIL, evenIfReadable, mailId, words);
        }
    }

    /** A copy that was given, as far as whoever sends it on needs to know. @param name without its ending */
    public record Given(UUID id, long number, UUID documentId, String reader, Fetched file) {}

    /**
     * Gives copies that were looked at: all of them or, when one cannot be given, none.
     *
     * @return them in the order that was asked for
     * @throws Refusal when one was given before, covers or versions changed since it was looked at, or something that is
     *     covered can still be read in it
     */
    @Transactional
    public List<Given> give(Viewer viewer, List<UUID> ids, Handing handing) {
        return ids.stream().map(id -> give(viewer, id, handing)).toList();
    }

    private Given give(Viewer viewer, UUID id, Handing handing) {
        // of two at once, the second finds it given
        LeavingPaper copy = visible(viewer, copies.findToGive(id));
        FiledDocument paper = documents.visible(viewer, copy.documentId());
        if (copy.givenAt() != null) {
            throw Refusal.conflict("given", "Copy " + copy.number() + " was given already.");
        }
        if (!isPresent(copy, paper)) {
            throw Refusal.conflict(
                    "changed", "“" + paper.name() + "” was changed since you looked at the copy. Look at it again.");
        }
        if (!copy.stillReadable().isEmpty() && !handing.evenIfReadable) {
            throw Refusal.conflict(
                    "still-readable",
                    "What is covered can still be read in the copy of “" + paper.name() + "”: "
                            + String.join("; ", copy.stillReadable()) + ".");
        }
        copy.give(handing.way, handing.mailId, calendar.now());
        trail.record(new AuditEntry(
                viewer.actor(),
                "copy-given",
                paper.fileId(),
                paper.id(),
                handing.words + " copy " + copy.number() + " of “" + paper.name() + "” for "
                        + copy.reader().name() + ", " + copy.coversInWords()
                        + (copy.stillReadable().isEmpty() ? "" : "; some of it can be read elsewhere in the copy")));
        return given(copy, paper);
    }

    /** The bytes of one that was given; empty once its paper or the covers on it have changed, or it is gone. */
    public Optional<String> present(UUID id) {
        return Objects.requireNonNull(transactions.execute(t -> copies.findById(id)
                .filter(c -> c.givenAt() != null)
                .filter(c -> documents
                        .outsideWastebasket(c.documentId())
                        .filter(d -> isPresent(c, d))
                        .isPresent())
                .map(LeavingPaper::sha256)));
    }

    private boolean isPresent(LeavingPaper copy, FiledDocument paper) {
        return paper.versions().size() == copy.version()
                && DraftCopies.hash(covers.covers(paper.id(), copy.version(), paper.latest()))
                        .equals(copy.coversSha256());
    }

    /** Makes a copy for somebody whose file it is, covers closed and without marks, and notes it as handed to them. */
    public void handOut(Viewer viewer, UUID documentId, String reader) {
        DraftCopies.Wish wish = new DraftCopies.Wish(new Reader(Reader.Kind.PERSON, reader), false, false, true);
        List<UUID> drafted = drafts.draft(viewer, List.of(documentId), wish).stream()
                .map(DraftCopies.Draft::id)
                .toList();
        transactions.executeWithoutResult(t -> give(viewer, drafted, Handing.here(Way.PRINT, false)));
    }

    /** Copies that this viewer made to look at, as they would be given. @throws Refusal when one is none of those */
    @Transactional(readOnly = true)
    public List<Given> drafted(Viewer viewer, List<UUID> ids) {
        return ids.stream()
                .map(id -> visible(viewer, id))
                .map(c -> given(c, documents.visible(viewer, c.documentId())))
                .toList();
    }

    private Given given(LeavingPaper copy, FiledDocument paper) {
        return new Given(copy.id(), copy.number(), paper.id(), copy.reader().name(), fetched(copy, paper));
    }

    /** A copy to be fetched. @param name without its ending @param isPdf whether it is a PDF, which can be shown in a tab */
    public record Fetched(String name, String sha256, int pages, boolean isPdf) {}

    /** @throws Refusal when it was not given */
    @Transactional(readOnly = true)
    public Fetched fetch(Viewer viewer, UUID id) {
        LeavingPaper copy = visible(viewer, id);
        if (copy.givenAt() == null) {
            throw Refusal.conflict("not-given", "This copy was not given yet.");
        }
        return fetched(copy, documents.visible(viewer, copy.documentId()));
    }

    private Fetched fetched(LeavingPaper copy, FiledDocument paper) {
        // the name of a paper may say what is covered on it
        String name = copy.covered() > 0 ? documents.typeLabel(paper) : paper.name();
        boolean isPdf = contents.content(copy.sha256()).mediaType().equals(Format.PDF.mediaType());
        return new Fetched(name + ", copy " + copy.number(), copy.sha256(), copy.pages(), isPdf);
    }

    /** The numbers of those that went with each of these mails, of papers that the viewer may see. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Long>> numbers(Viewer viewer, Collection<UUID> mailIds) {
        List<LeavingPaper> sent = copies.findByMailIdInOrderByNumber(mailIds);
        Set<UUID> visible =
                documents
                        .visible(
                                viewer,
                                sent.stream().map(LeavingPaper::documentId).collect(Collectors.toSet()))
                        .stream()
                        .map(FiledDocument::id)
                        .collect(Collectors.toSet());
        return sent.stream()
                .filter(c -> visible.contains(c.documentId()))
                .collect(Collectors.groupingBy(
                        c -> Objects.requireNonNull(c.mailId()),
                        Collectors.mapping(LeavingPaper::number, Collectors.toList())));
    }

    /** Those that went with a mail, without those whose paper is in the wastebasket or gone. */
    @Transactional(readOnly = true)
    public List<Given> ofMail(UUID mailId) {
        return copies.findByMailIdOrderByNumber(mailId).stream()
                .flatMap(c ->
                        documents.outsideWastebasket(c.documentId()).stream().map(d -> given(c, d)))
                .toList();
    }

    /** That a copy was given to somebody. @param mailId with which it went; null when with none */
    public record GivenTo(
            UUID documentId,
            int version,
            String reader,
            Instant at,
            @Nullable UUID mailId) {}

    /**
     * All that were given of these papers to take along, whoever asks; for the product's own work. What a guest sees in the
     * portal the portal knows.
     */
    @Transactional(readOnly = true)
    public List<GivenTo> givenOf(Collection<UUID> documentIds) {
        return copies.findByDocumentIdInAndGivenAtIsNotNullOrderByNumber(documentIds).stream()
                .filter(c -> c.way() != Way.PORTAL)
                .map(c -> new GivenTo(
                        c.documentId(),
                        c.version(),
                        c.reader().name(),
                        Objects.requireNonNull(c.givenAt()),
                        c.mailId()))
                .toList();
    }

    /**
     * A copy that somebody has.
     *
     * @param covers what was done about them, in words
     */
    record GivenCopy(
            UUID id,
            long number,
            UUID documentId,
            String paper,
            String reader,
            Reader.Kind readerKind,
            Way way,
            String covers,
            List<String> reasons,
            boolean marks,
            int version,
            int pages,
            String sha256,
            String by,
            Instant at) {}

    /** Of all papers of a file that the viewer may see, the last given first. */
    @Transactional(readOnly = true)
    public List<GivenCopy> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        List<LeavingPaper> given = copies.findGivenOfFile(fileId);
        Map<UUID, FiledDocument> visible =
                documents
                        .visible(
                                viewer,
                                given.stream().map(LeavingPaper::documentId).collect(Collectors.toSet()))
                        .stream()
                        .collect(Collectors.toMap(FiledDocument::id, d -> d));
        return given.stream()
                .filter(c -> visible.containsKey(c.documentId()))
                .map(c -> answer(c, Objects.requireNonNull(visible.get(c.documentId()))))
                .toList();
    }

    private static GivenCopy answer(LeavingPaper copy, FiledDocument paper) {
        return new GivenCopy(
                copy.id(),
                copy.number(),
                paper.id(),
                paper.name(),
                copy.reader().name(),
                copy.reader().kind(),
                Objects.requireNonNull(copy.way()),
                copy.coversInWords(),
                copy.reasons(),
                copy.marks(),
                copy.version(),
                copy.pages(),
                copy.sha256(),
                copy.byName(),
                Objects.requireNonNull(copy.givenAt()));
    }
}
