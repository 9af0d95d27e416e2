package app.denfold.server.standing;

import app.denfold.core.receiving.PaperStanding.Side;
import app.denfold.core.receiving.PaperStanding.Stage;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.signing.asking.SignersOf;
import app.denfold.server.standing.PaperStandingRepository.Waiting;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Papers of all files that wait: for whom, and since when. */
@Service
public class UnderWay {

    static final int MOST = 500;

    private final PaperStandingRepository rows;
    private final ShowStanding show;
    private final Catalog catalog;
    private final Documents documents;
    private final SignersOf signers;

    UnderWay(PaperStandingRepository rows, ShowStanding show, Catalog catalog, Documents documents, SignersOf signers) {
        this.signers = signers;
        this.rows = rows;
        this.show = show;
        this.catalog = catalog;
        this.documents = documents;
    }

    /** Which papers are listed. */
    enum Queue {
        US,
        SIGNER,
        OTHERS,
        RECEIVER,
        /** Those that a second person has still to check, whomever else they wait for. */
        CHECK
    }

    /**
     * A paper that waits.
     *
     * @param person whose file it lies in
     * @param names of those it waits for; empty for anyone of the practice
     * @param version number of its newest one
     * @param sent how many of those who must have it were sent it
     * @param mayCheck whether the viewer can be the second person
     * @param requestId of the request for signatures it is in; null when it is in none
     */
    public record UnderWayAnswer(
            UUID documentId,
            UUID fileId,
            int version,
            String paper,
            String typeLabel,
            String person,
            Stage stage,
            @Nullable Side waitsFor,
            List<String> names,
            LocalDate since,
            int sent,
            int receivers,
            boolean checked,
            boolean wantsCheck,
            boolean mayCheck,
            @Nullable UUID requestId) {}

    /** How many papers wait for whom. @param check of all of them, which a second person has still to check */
    record UnderWayCounts(long us, long signer, long others, long receiver, long check) {}

    /** @param papers the longest waiting first, at most {@value #MOST} */
    record UnderWayPage(UnderWayCounts counts, List<UnderWayAnswer> papers) {}

    /** @param type code; null for all types */
    @Transactional(readOnly = true)
    UnderWayPage list(Viewer viewer, Queue queue, @Nullable String type) {
        return new UnderWayPage(counts(viewer, type), answers(viewer, find(viewer, queue, type, MOST)));
    }

    private List<Waiting> find(Viewer viewer, Queue queue, @Nullable String type, int most) {
        boolean toCheck = queue == Queue.CHECK;
        return rows.findWaiting(
                List.of(toCheck ? Side.US : Side.valueOf(queue.name())),
                toCheck,
                type,
                viewer.hiddenTypes().toArray(String[]::new),
                viewer.seesEverybody(),
                List.of(viewer.sight().teamNames()),
                List.of(viewer.sight().files()),
                Limit.of(most));
    }

    private UnderWayCounts counts(Viewer viewer, @Nullable String type) {
        long[] bySide = new long[Side.values().length];
        long check = 0;
        for (Object[] row : rows.count(
                type,
                viewer.hiddenTypes().toArray(String[]::new),
                viewer.seesEverybody(),
                List.of(viewer.sight().teamNames()),
                List.of(viewer.sight().files()))) {
            if (row[0] != null) {
                bySide[((Side) row[0]).ordinal()] = (Long) row[1];
            }
            check += (Long) row[2];
        }
        return new UnderWayCounts(
                bySide[Side.US.ordinal()],
                bySide[Side.SIGNER.ordinal()],
                bySide[Side.OTHERS.ordinal()],
                bySide[Side.RECEIVER.ordinal()],
                check);
    }

    private List<UnderWayAnswer> answers(Viewer viewer, Collection<Waiting> waiting) {
        Set<UUID> seen = show.visible(
                viewer, waiting.stream().flatMap(w -> w.row().names().stream()).toList());
        Map<String, String> labels = catalog.types().stream().collect(Collectors.toMap(t -> t.code(), t -> t.label()));
        Set<UUID> checkable = checkable(viewer, waiting);
        List<UUID> withSigners = waiting.stream()
                .filter(w -> w.row().waitsFor() == Side.SIGNER)
                .map(w -> w.row().documentId())
                .toList();
        Map<UUID, UUID> requests = withSigners.isEmpty() ? Map.of() : signers.openRequests(withSigners);
        return waiting.stream()
                .map(w -> new UnderWayAnswer(
                        w.row().documentId(),
                        w.fileId(),
                        w.version(),
                        w.paper(),
                        Objects.requireNonNull(labels.get(w.type())),
                        w.person().name(),
                        w.row().stage(),
                        w.row().waitsFor(),
                        w.row().names().stream()
                                .map(n -> ShowStanding.shown(n, seen))
                                .toList(),
                        w.row().since(),
                        w.row().sent(),
                        w.row().receivers(),
                        w.row().checked(),
                        w.row().wantsCheck(),
                        checkable.contains(w.row().documentId()),
                        requests.get(w.row().documentId())))
                .toList();
    }

    private Set<UUID> checkable(Viewer viewer, Collection<Waiting> waiting) {
        List<UUID> wanted = waiting.stream()
                .filter(w -> w.row().wantsCheck() && viewer.mayChange())
                .map(w -> w.row().documentId())
                .toList();
        return wanted.isEmpty()
                ? Set.of()
                : documents.outsideWastebasket(wanted).stream()
                        .filter(p -> !Decisions.hadAHand(viewer, p))
                        .map(FiledDocument::id)
                        .collect(Collectors.toSet());
    }

    /** How many papers that the viewer may see are to be sent to somebody who must have them. */
    @Transactional(readOnly = true)
    public long countToSend(Viewer viewer) {
        return viewer.mayChange() ? counts(viewer, null).receiver() : 0;
    }

    /** What the viewer can check as the second person, the longest waiting first. */
    @Transactional(readOnly = true)
    public List<UnderWayAnswer> toCheck(Viewer viewer, int most) {
        return viewer.mayChange()
                ? answers(viewer, find(viewer, Queue.CHECK, null, MOST)).stream()
                        .filter(UnderWayAnswer::mayCheck)
                        .limit(most)
                        .toList()
                : List.of();
    }
}
