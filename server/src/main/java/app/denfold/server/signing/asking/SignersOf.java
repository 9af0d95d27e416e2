package app.denfold.server.signing.asking;

import app.denfold.core.receiving.Held;
import app.denfold.core.receiving.PaperFacts.Waiting;
import app.denfold.core.signing.RequestState;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.sealing.SealedCopies;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whose signatures papers wait for, and who got a copy because they signed. */
@Component
public class SignersOf {

    private final SignatureRequestRepository requests;
    private final PracticeCalendar calendar;

    SignersOf(SignatureRequestRepository requests, PracticeCalendar calendar) {
        this.requests = requests;
        this.calendar = calendar;
    }

    /** Whose turn it is on papers, by paper, each since the day they were told; those at a desk are there now and left out. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Waiting>> waiting(Collection<UUID> documents) {
        Map<UUID, List<Waiting>> all = new HashMap<>();
        for (SignatureRequest request : requests.findOpenOnAny(documents)) {
            if (request.isAtDesk()) {
                continue;
            }
            for (SignatureTurn turn : request.whoseTurn()) {
                Instant since = turn.toldAt() == null ? request.askedAt() : turn.toldAt();
                Waiting waiting = new Waiting(turn.name(), calendar.dayOf(since));
                request.papersOf(turn).forEach(paper -> all.computeIfAbsent(paper.documentId(), id -> new ArrayList<>())
                        .add(waiting));
            }
        }
        return all;
    }

    /** The open requests that papers are in, by paper. */
    @Transactional(readOnly = true)
    public Map<UUID, UUID> openRequests(Collection<UUID> documents) {
        Map<UUID, UUID> all = new HashMap<>();
        requests.findOpenOnAny(documents).forEach(r -> r.papers().forEach(p -> all.put(p.documentId(), r.id())));
        return all;
    }

    /** The newest version that is not only a sealed copy of an earlier one. */
    public static DocumentVersion newestPaper(FiledDocument document) {
        return SealedCopies.sourceOf(document);
    }

    /** Who signed papers as they are now and was sent the sealed copy, by paper. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Held>> copied(Collection<FiledDocument> documents) {
        Map<UUID, String> sources = new HashMap<>();
        documents.forEach(d -> sources.put(d.id(), newestPaper(d).sha256()));
        Map<UUID, List<Held>> all = new HashMap<>();
        for (SignatureRequest request : requests.findOnAny(sources.keySet())) {
            if (request.isAtDesk() || request.state() != RequestState.COMPLETE) {
                continue;
            }
            Instant ended = Objects.requireNonNull(request.endedAt());
            for (RequestPaper paper : request.papers()) {
                if (paper.sealed() && paper.sourceSha256().equals(sources.get(paper.documentId()))) {
                    request.signedOn(paper.documentId()).forEach(turn -> all.computeIfAbsent(
                                    paper.documentId(), id -> new ArrayList<>())
                            .add(new Held(turn.name(), turn.address(), calendar.dayOf(ended), Held.Reached.HAS)));
                }
            }
        }
        return all;
    }
}
