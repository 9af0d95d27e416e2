package app.denfold.server.arrivals.filing;

import app.denfold.core.filing.CoverCode;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.arrivals.proposing.LearnedTypeStore;
import app.denfold.server.arrivals.proposing.ProposeForArrival;
import app.denfold.server.content.Contents;
import app.denfold.server.content.copying.CopiedPages;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Files waiting papers, and takes filings back. */
@Service
public class FileArrivals {

    private final ArrivalRepository arrivals;
    private final WaitingArrivals waiting;
    private final ProposeForArrival proposals;
    private final LearnedTypeStore learning;
    private final Contents contents;
    private final CopiedPages copies;
    private final Readings readings;
    private final Documents documents;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    FileArrivals(
            ArrivalRepository arrivals,
            WaitingArrivals waiting,
            ProposeForArrival proposals,
            LearnedTypeStore learning,
            Contents contents,
            CopiedPages copies,
            Readings readings,
            Documents documents,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.arrivals = arrivals;
        this.waiting = waiting;
        this.proposals = proposals;
        this.learning = learning;
        this.contents = contents;
        this.copies = copies;
        this.readings = readings;
        this.documents = documents;
        this.calendar = calendar;
    }

    /**
     * Files a waiting paper. Chosen or turned pages are filed as a copy that names its source; what came in stays.
     *
     * @param version of the arrival that the viewer looked at
     * @throws Refusal when it is no longer waiting, or the details cannot be
     */
    public FiledDocument file(Viewer viewer, UUID id, int version, FilingDetails details) {
        return fileAll(viewer, List.of(new Chosen(id, version)), details).get(0);
    }

    private FiledDocument file(Viewer viewer, Arrival arrival, Bytes bytes, FilingDetails details, Instant at) {
        String text = proposals.text(arrival);
        FiledDocument document = documents.file(
                viewer,
                details,
                new Documents.Received(
                        register(arrival, bytes),
                        calendar.dayOf(arrival.receivedAt()),
                        arrival.sourceInWords(),
                        arrival.isFromOutside()));
        arrival.file(document.id(), viewer.actor(), at);
        learning.learn(document.id(), details.type(), text);
        return document;
    }

    /** Learns what such papers look like from one that was filed elsewhere, with what is written on it. */
    @Transactional
    public void learnFrom(FiledDocument document, String text) {
        learning.learn(document.id(), document.type(), text);
    }

    /**
     * Files a paper without being asked, where its desk does so: its cover sheet must name person and type, and its date
     * must be sure. Otherwise it waits as any other.
     */
    void byItself(UUID id, Actor desk) {
        Optional<Arrival> found = Objects.requireNonNull(transactions.execute(t -> arrivals.findById(id)));
        if (found.filter(FileArrivals::isToBeFiledByItself).isPresent()) {
            Arrival before = found.get();
            Bytes bytes = Objects.requireNonNull(transactions.execute(t -> bytesOf(before)))
                    .made(copies);
            transactions.executeWithoutResult(t -> arrivals.findById(id)
                    .filter(a -> a.version() == before.version() && isToBeFiledByItself(a))
                    .ifPresent(a -> fileByItself(a, bytes, desk)));
        }
    }

    private static boolean isToBeFiledByItself(Arrival arrival) {
        boolean named = arrival.cover()
                .filter(c -> c.fileNumber() != null && c.type() != null)
                .isPresent();
        boolean sure = arrival.proposedFile() != null
                && arrival.proposedDated() != null
                && arrival.cover()
                        .map(CoverCode::type)
                        .filter(t -> t.equals(arrival.proposedType()))
                        .isPresent();
        return arrival.state() == Arrival.State.WAITING && named && sure;
    }

    private void fileByItself(Arrival arrival, Bytes bytes, Actor desk) {
        FiledDocument document = documents.takeOver(
                desk,
                new FilingDetails(
                        Objects.requireNonNull(arrival.proposedFile()),
                        Objects.requireNonNull(arrival.proposedType()),
                        List.of(),
                        Objects.requireNonNull(arrival.proposedDated()),
                        null,
                        null,
                        proposals.fieldsOf(arrival, Objects.requireNonNull(arrival.proposedType())),
                        null,
                        null),
                new Documents.Received(
                        register(arrival, bytes),
                        calendar.dayOf(arrival.receivedAt()),
                        arrival.sourceInWords() + ", filed by itself by its cover sheet",
                        arrival.isFromOutside()),
                Documents.History.none());
        arrival.file(document.id(), desk, calendar.now());
        learning.learn(document.id(), document.type(), proposals.text(arrival));
    }

    /** What is filed of an arrival: the bytes as they came, or a copy of chosen pages that is yet to be made. */
    private record Bytes(@Nullable String asCame, List<PageRef> chosen, Contents.@Nullable Prepared copy) {
        Bytes made(CopiedPages copies) {
            return chosen.isEmpty()
                    ? this
                    : new Bytes(
                            null,
                            chosen,
                            copies.copy(chosen.stream().map(PageRef::chosen).toList()));
        }
    }

    private String register(Arrival arrival, Bytes bytes) {
        if (bytes.copy == null) {
            return Objects.requireNonNull(bytes.asCame);
        }
        contents.register(bytes.copy);
        readings.remember(bytes.copy.sha256(), proposals.read(arrival));
        return bytes.copy.sha256();
    }

    private Bytes bytesOf(Arrival arrival) {
        int count = contents.content(arrival.sha256()).pages();
        List<PageRef> pages = arrival.pages(count);
        boolean untouched = pages.size() == count
                && java.util.stream.IntStream.range(0, count)
                        .allMatch(i -> pages.get(i).equals(new PageRef(arrival.sha256(), i + 1, 0)));
        return untouched ? new Bytes(arrival.sha256(), List.of(), null) : new Bytes(null, pages, null);
    }

    /** @param version of the arrival that the viewer looked at */
    public record Chosen(UUID id, int version) {}

    /**
     * Files several papers with the same details: all of them, or none.
     *
     * @throws Refusal naming the paper that cannot be filed
     */
    public List<FiledDocument> fileAll(Viewer viewer, List<Chosen> chosen, FilingDetails details) {
        if (chosen.isEmpty() || chosen.size() > 200) {
            throw Refusal.invalid("papers", "Choose from 1 to 200 papers to be filed together.");
        }
        List<Bytes> bytes = transactions.execute(t -> chosen.stream()
                .map(c -> bytesOf(waiting.ofVersion(viewer, c.id(), c.version())))
                .toList());
        List<Bytes> made = bytes.stream().map(b -> b.made(copies)).toList();
        Instant at = calendar.now();
        return transactions.execute(t -> {
            List<FiledDocument> filed = new ArrayList<>();
            for (Chosen one : chosen) {
                Arrival arrival = waiting.ofVersion(viewer, one.id(), one.version());
                filed.add(file(viewer, arrival, made.get(filed.size()), details, at));
            }
            return filed;
        });
    }

    /**
     * Takes back the filing of papers on which nothing was built yet: of all, or of none. They wait again, and what they
     * taught is forgotten.
     */
    @Transactional
    public void undo(Viewer viewer, List<UUID> papers) {
        viewer.requireChange();
        papers.forEach(id -> undo(viewer, id));
    }

    /**
     * What the viewer filed last and at once.
     *
     * @param name of the first document
     */
    public record LastFiling(List<UUID> papers, String name, Instant at) {}

    /** The viewer's last filing that still stands and he may still see; of a day at most. */
    @Transactional(readOnly = true)
    public Optional<LastFiling> lastOf(Viewer viewer) {
        Instant since = calendar.now().minus(Duration.ofDays(1));
        List<Arrival> last = arrivals.findLastFiled(viewer.accountId(), since).stream()
                .filter(waiting.visibleTo(viewer))
                .toList();
        List<UUID> filed =
                last.stream().map(a -> Objects.requireNonNull(a.documentId())).toList();
        return documents.visible(viewer, filed).stream()
                .findFirst()
                .map(first -> new LastFiling(
                        last.stream().map(Arrival::id).toList(),
                        first.name(),
                        Objects.requireNonNull(last.get(0).handledAt())));
    }

    private void undo(Viewer viewer, UUID id) {
        Arrival arrival = waiting.visible(viewer, id);
        if (arrival.documentId() == null) {
            throw Refusal.conflict("not-filed", "This paper is not filed.");
        }
        UUID document = arrival.documentId();
        arrival.takeBack();
        arrivals.save(arrival);
        documents.takeBack(viewer, document);
        learning.forget(document);
    }
}
