package app.denfold.server.standing;

import app.denfold.core.receiving.MustHave;
import app.denfold.core.receiving.Receiver;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import app.denfold.server.standing.GatherFacts.Gathered;
import app.denfold.server.standing.PaperStandingRow.Named;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which papers have still to be sent to whom: one sending for each person's file and reader. */
@Service
class ToSend {

    static final int MOST = 200;

    private final GatherFacts gather;
    private final ShowStanding show;
    private final Documents documents;
    private final PersonFiles files;

    ToSend(GatherFacts gather, ShowStanding show, Documents documents, PersonFiles files) {
        this.gather = gather;
        this.show = show;
        this.documents = documents;
        this.files = files;
    }

    record PaperToSend(UUID id, String name) {}

    /**
     * Papers of one file that one reader must have and was not sent.
     *
     * @param person whose file it is
     * @param label what the reader is
     * @param name null when nobody is known who is that
     * @param address of mail; null when none is known
     * @param who what the reader is to the file
     */
    record Sending(
            UUID fileId,
            String person,
            String label,
            @Nullable String name,
            @Nullable String address,
            Receiver.Who who,
            List<PaperToSend> papers) {}

    private record Key(UUID fileId, String label, @Nullable String name) {}

    /** In the order of the papers. @throws Refusal when there are too many */
    @Transactional(readOnly = true)
    public List<Sending> of(Viewer viewer, List<UUID> ids) {
        if (ids.isEmpty() || ids.size() > MOST) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST + " papers.");
        }
        List<FiledDocument> papers = documents.visible(viewer, ids).stream()
                .sorted((a, b) -> Integer.compare(ids.indexOf(a.id()), ids.indexOf(b.id())))
                .toList();
        Map<UUID, Gathered> known = gather.of(papers);
        Set<UUID> seen = show.visible(
                viewer, known.values().stream().flatMap(g -> g.named().stream()).toList());
        Map<Key, Sending> sendings = new LinkedHashMap<>();
        for (FiledDocument paper : papers) {
            Gathered gathered = Objects.requireNonNull(known.get(paper.id()));
            if (!gathered.facts().state().isSettled()) {
                continue;
            }
            for (MustHave one : gathered.facts().receivers()) {
                boolean isHidden = one.name() != null && ShowStanding.isHidden(gathered.named(one.name()), seen);
                if (!one.isSent() && !isHidden) {
                    sendings.computeIfAbsent(
                                    new Key(paper.fileId(), one.label(), one.name()),
                                    k -> sending(paper, one, gathered))
                            .papers()
                            .add(new PaperToSend(paper.id(), paper.name()));
                }
            }
        }
        return List.copyOf(sendings.values());
    }

    private Sending sending(FiledDocument paper, MustHave one, Gathered gathered) {
        Named named = gathered.named(one.name() == null ? one.label() : one.name());
        return new Sending(
                paper.fileId(),
                files.file(paper.fileId()).name(),
                one.label(),
                one.name(),
                one.address(),
                Objects.requireNonNull(named.who()),
                new ArrayList<>());
    }
}
