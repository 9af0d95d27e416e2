package app.denfold.server.arrivals;

import app.denfold.core.filing.CoverCode;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Files waiting papers, and takes filings back. */
@Service
public class FileArrivals {

    private final ArrivalRepository arrivals;
    private final WaitingArrivals waiting;
    private final ProposeForArrival proposals;
    private final TypeLearning learning;
    private final Contents contents;
    private final Readings readings;
    private final Documents documents;
    private final PracticeCalendar calendar;

    FileArrivals(
            ArrivalRepository arrivals,
            WaitingArrivals waiting,
            ProposeForArrival proposals,
            TypeLearning learning,
            Contents contents,
            Readings readings,
            Documents documents,
            PracticeCalendar calendar) {
        this.arrivals = arrivals;
        this.waiting = waiting;
        this.proposals = proposals;
        this.learning = learning;
        this.contents = contents;
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
    @Transactional
    public FiledDocument file(Viewer viewer, UUID id, int version, FilingDetails details) {
        return file(viewer, waiting.ofVersion(viewer, id, version), details);
    }

    private FiledDocument file(Viewer viewer, Arrival arrival, FilingDetails details) {
        String text = proposals.text(arrival);
        FiledDocument document = documents.file(
                viewer,
                details,
                new Documents.Received(
                        bytesOf(arrival), calendar.dayOf(arrival.receivedAt()), arrival.sourceInWords()));
        arrival.file(document.id());
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
    void byItself(Arrival arrival, Actor desk) {
        boolean named = arrival.cover()
                .filter(c -> c.fileNumber() != null && c.type() != null)
                .isPresent();
        boolean sure = arrival.proposedFile() != null
                && arrival.proposedDated() != null
                && arrival.cover()
                        .map(CoverCode::type)
                        .filter(t -> t.equals(arrival.proposedType()))
                        .isPresent();
        if (!named || !sure) {
            return;
        }
        FiledDocument document = documents.takeOver(
                desk,
                new FilingDetails(
                        arrival.proposedFile(),
                        arrival.proposedType(),
                        List.of(),
                        arrival.proposedDated(),
                        null,
                        null,
                        proposals.fieldsOf(arrival, arrival.proposedType())),
                new Documents.Received(
                        bytesOf(arrival),
                        calendar.dayOf(arrival.receivedAt()),
                        arrival.sourceInWords() + ", filed by itself by its cover sheet"),
                Documents.History.none());
        arrival.file(document.id());
        learning.learn(document.id(), document.type(), proposals.text(arrival));
    }

    /** The bytes as they came, unless pages were chosen from them. */
    private String bytesOf(Arrival arrival) {
        int count = contents.content(arrival.sha256()).pages();
        List<PageRef> pages = arrival.pages(count);
        boolean untouched = pages.size() == count
                && java.util.stream.IntStream.range(0, count)
                        .allMatch(i -> pages.get(i).equals(new PageRef(arrival.sha256(), i + 1, 0)));
        if (untouched) {
            return arrival.sha256();
        }
        String copy = contents.copy(pages.stream().map(PageRef::chosen).toList());
        readings.remember(copy, proposals.read(arrival));
        return copy;
    }

    /** @param version of the arrival that the viewer looked at */
    public record Chosen(UUID id, int version) {}

    /**
     * Files several papers with the same details: all of them, or none.
     *
     * @throws Refusal naming the paper that cannot be filed
     */
    @Transactional
    public List<FiledDocument> fileAll(Viewer viewer, List<Chosen> chosen, FilingDetails details) {
        if (chosen.isEmpty() || chosen.size() > 200) {
            throw Refusal.invalid("papers", "Choose from 1 to 200 papers to be filed together.");
        }
        return chosen.stream()
                .map(c -> file(viewer, waiting.ofVersion(viewer, c.id(), c.version()), details))
                .toList();
    }

    /** Takes back a filing on which nothing was built yet; the paper waits again, and what it taught is forgotten. */
    @Transactional
    public void undo(Viewer viewer, UUID id) {
        viewer.requireChange();
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
