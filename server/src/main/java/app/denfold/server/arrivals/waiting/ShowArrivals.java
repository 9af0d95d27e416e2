package app.denfold.server.arrivals.waiting;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.arrivals.proposing.ProposeForArrival;
import app.denfold.server.arrivals.splitting.ArrivalStepRepository;
import app.denfold.server.arrivals.splitting.EditPages;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.links.Link;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.reading.Readings;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The waiting papers as they are shown: all in a list, and one with what is proposed for it. */
@Service
class ShowArrivals {

    private final ArrivalRepository arrivals;
    private final ArrivalStepRepository steps;
    private final WaitingArrivals waiting;
    private final ProposeForArrival proposals;
    private final LikeArrivals like;
    private final ArrivalPresenceStore presence;
    private final EditPages edit;
    private final Contents contents;
    private final Readings readings;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Documents documents;

    ShowArrivals(
            ArrivalRepository arrivals,
            ArrivalStepRepository steps,
            WaitingArrivals waiting,
            ProposeForArrival proposals,
            LikeArrivals like,
            ArrivalPresenceStore presence,
            EditPages edit,
            Contents contents,
            Readings readings,
            PersonFiles files,
            Catalog catalog,
            Documents documents) {
        this.arrivals = arrivals;
        this.steps = steps;
        this.waiting = waiting;
        this.proposals = proposals;
        this.like = like;
        this.presence = presence;
        this.edit = edit;
        this.contents = contents;
        this.readings = readings;
        this.files = files;
        this.catalog = catalog;
        this.documents = documents;
    }

    /**
     * What a waiting paper presence like in the list.
     *
     * @param pages as they now stand; 0 when none can be shown
     * @param fileId the file it came for, else the one proposed when that is sure; null when neither
     * @param isGiven whether it came for that file
     * @param typeLabel of the type it came as or that is proposed when that is sure
     * @param begins why a part of a batch begins where it does
     * @param openWith the name of the colleague who has it open
     */
    record ArrivalAnswer(
            UUID id,
            int version,
            Arrival.Source source,
            String broughtBy,
            String fileName,
            @Nullable String note,
            Instant receivedAt,
            Arrival.State state,
            @Nullable String reason,
            List<PageRef> pages,
            long size,
            String mediaType,
            @Nullable UUID fileId,
            @Nullable String fileNumber,
            @Nullable String personName,
            boolean isGiven,
            @Nullable String suggestedType,
            @Nullable String typeLabel,
            @Nullable LocalDate dated,
            @Nullable UUID batchId,
            @Nullable String begins,
            @Nullable Readings.Progress reading,
            @Nullable String openWith) {}

    private static final Set<Arrival.State> SHOWN = Set.of(Arrival.State.WAITING, Arrival.State.SET_ASIDE);

    /** Waiting papers and those set aside that the viewer may see, oldest first, parts of a batch in their order. */
    @Transactional(readOnly = true)
    public List<ArrivalAnswer> open(Viewer viewer) {
        List<Arrival> open = arrivals.findInStates(SHOWN).stream()
                .filter(waiting.visibleTo(viewer))
                .toList();
        return answers(viewer, open);
    }

    /** Notes that the viewer has the arrival open, and no other one any more. */
    @Transactional
    void present(Viewer viewer, UUID id) {
        presence.note(viewer, id);
    }

    private List<ArrivalAnswer> answers(Viewer viewer, List<Arrival> open) {
        Map<UUID, PersonFile> people = new HashMap<>();
        files.files(open.stream()
                        .flatMap(a -> Stream.of(a.fileId(), a.proposedFile()).filter(id -> id != null))
                        .toList())
                .forEach(f -> people.put(f.id(), f));
        Map<String, String> labels =
                catalog.types().stream().collect(Collectors.toMap(KeptDocumentType::code, KeptDocumentType::label));
        List<String> hashes = open.stream().map(Arrival::sha256).distinct().toList();
        var stored = contents.contents(hashes);
        var progress = readings.progress(hashes);
        var others = presence.others(viewer);
        return open.stream()
                .map(a -> answer(
                        a,
                        Objects.requireNonNull(stored.get(a.sha256())),
                        people.get(a.fileId() != null ? a.fileId() : a.proposedFile()),
                        labels.get(a.suggestedType() != null ? a.suggestedType() : a.proposedType()),
                        progress.get(a.sha256()),
                        others.get(a.id())))
                .toList();
    }

    private static ArrivalAnswer answer(
            Arrival a,
            Content content,
            @Nullable PersonFile person,
            @Nullable String type,
            @Nullable Readings.Progress reading,
            @Nullable String openWith) {
        return new ArrivalAnswer(
                a.id(),
                a.version(),
                a.source(),
                a.broughtBy(),
                a.fileName(),
                a.note(),
                a.receivedAt(),
                a.state(),
                a.reason(),
                a.pages(content.pages()),
                content.size(),
                content.mediaType(),
                person == null ? null : person.id(),
                person == null ? null : person.number(),
                person == null ? null : person.name(),
                a.fileId() != null,
                a.suggestedType(),
                type,
                a.proposedDated(),
                a.isPart() ? a.batch() : null,
                a.begins(),
                reading == null || reading.state() == Readings.State.READ ? null : reading,
                openWith);
    }

    /**
     * What became of a paper.
     *
     * @param byName who handled it; null while it waits or is set aside
     * @param documentId the document it was filed as, where the viewer may see it
     * @param documentName of that document
     * @param fileId the file it lies in
     */
    record ArrivalOutcome(
            UUID id,
            String fileName,
            Arrival.State state,
            @Nullable String byName,
            @Nullable Instant at,
            @Nullable String reason,
            @Nullable UUID documentId,
            @Nullable String documentName,
            @Nullable UUID fileId) {}

    /**
     * What came with a paper that was filed.
     *
     * @param sender address of the mail it was attached to
     * @param message text of that mail
     */
    record CameWith(
            String fileName,
            @Nullable String note,
            @Nullable String sender,
            @Nullable String message) {}

    /** Empty for a paper that did not come through Arrivals, or that the viewer may not see. */
    @Transactional(readOnly = true)
    public List<CameWith> cameWith(Viewer viewer, UUID documentId) {
        return documents.visible(viewer, List.of(documentId)).stream()
                .flatMap(d -> arrivals.findByDocumentId(d.id()).stream())
                .map(a -> new CameWith(a.fileName(), a.note(), a.sender(), a.message()))
                .toList();
    }

    @Transactional(readOnly = true)
    public ArrivalOutcome outcome(Viewer viewer, UUID id) {
        Arrival arrival = waiting.visible(viewer, id);
        FiledDocument filed = arrival.documentId() == null
                ? null
                : documents.visible(viewer, List.of(arrival.documentId())).stream()
                        .findFirst()
                        .orElse(null);
        return new ArrivalOutcome(
                id,
                arrival.fileName(),
                arrival.state(),
                arrival.handledBy(),
                arrival.handledAt(),
                arrival.reason(),
                filed == null ? null : filed.id(),
                filed == null ? null : filed.name(),
                filed == null ? null : filed.fileId());
    }

    /** A step that can be undone. */
    record PagesStep(String words, String byName, Instant at) {}

    /**
     * One paper with what is proposed for it.
     *
     * @param message text of the mail it came with
     * @param link where it is, when it is kept elsewhere
     * @param leftOut pages of its batch that no paper holds
     * @param steps changes of the pages of its batch, the last one first
     */
    record ArrivalDetail(
            UUID id,
            @Nullable String sender,
            @Nullable String message,
            @Nullable Link link,
            ProposeForArrival.Proposals proposals,
            List<LikeArrivals.LikePaper> like,
            List<PageRef> leftOut,
            List<PagesStep> steps) {}

    @Transactional(readOnly = true)
    public ArrivalDetail detail(Viewer viewer, UUID id) {
        Arrival arrival = waiting.visible(viewer, id);
        return new ArrivalDetail(
                id,
                arrival.sender(),
                arrival.message(),
                contents.link(arrival.sha256()).orElse(null),
                proposals.of(viewer, arrival),
                like.of(viewer, arrival),
                edit.leftOut(arrival),
                steps.findByBatchIdOrderByAtDescIdDesc(arrival.batch()).stream()
                        .map(s -> new PagesStep(s.words(), s.byName(), s.at()))
                        .toList());
    }
}
