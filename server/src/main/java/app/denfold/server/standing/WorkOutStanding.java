package app.denfold.server.standing;

import app.denfold.core.receiving.PaperStanding;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.standing.GatherFacts.Gathered;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Works out how papers stand, from all that was done about them, and keeps it. */
@Service
class WorkOutStanding {

    private final PaperStandingRepository rows;
    private final GatherFacts gather;
    private final Documents documents;
    private final PersonFiles files;
    private final EntityManager entities;

    WorkOutStanding(
            PaperStandingRepository rows,
            GatherFacts gather,
            Documents documents,
            PersonFiles files,
            EntityManager entities) {
        this.rows = rows;
        this.gather = gather;
        this.documents = documents;
        this.files = files;
        this.entities = entities;
    }

    /** Of those that are still there; papers in the wastebasket are left as they were. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void workOut(Collection<UUID> ids) {
        List<FiledDocument> papers = new ArrayList<>(documents.outsideWastebasket(ids));
        Set<UUID> fileIds = papers.stream()
                .filter(gather::isFollowed)
                .map(FiledDocument::fileId)
                .collect(Collectors.toSet());
        // whoever does something about the same papers now waits, and then sees what was done here
        if (!fileIds.isEmpty()) {
            files.lock(fileIds);
            readAnew(papers);
        }
        Map<UUID, PaperStandingRow> kept =
                kept(papers.stream().map(FiledDocument::id).toList());
        Map<UUID, Gathered> known = gather.of(papers);
        for (FiledDocument paper : papers) {
            keep(paper, Objects.requireNonNull(known.get(paper.id())), Optional.ofNullable(kept.get(paper.id())));
        }
    }

    /** What others changed while this waited for the files is read again; what they destroyed is left out. */
    private void readAnew(List<FiledDocument> papers) {
        Documents.Outdated outdated = documents.outdated(papers);
        papers.removeIf(p -> outdated.gone().contains(p.id()));
        papers.stream().filter(p -> outdated.changed().contains(p.id())).forEach(entities::refresh);
    }

    private Map<UUID, PaperStandingRow> kept(List<UUID> ids) {
        List<PaperStandingRow> found = rows.findAllById(ids);
        if (found.size() < ids.size()) {
            rows.insertMissing(ids);
            found = rows.findAllById(ids);
        }
        return found.stream().collect(Collectors.toMap(PaperStandingRow::documentId, r -> r));
    }

    /** @param row empty for one that was entered in error */
    private void keep(FiledDocument paper, Gathered gathered, Optional<PaperStandingRow> row) {
        documents.lack(paper, PaperStanding.lacking(gathered.facts()));
        Optional<PaperStanding> standing = PaperStanding.of(gathered.facts());
        if (standing.isEmpty()) {
            row.ifPresent(rows::delete);
            return;
        }
        List<PaperStandingRow.Named> names =
                standing.get().names().stream().map(gathered::named).toList();
        row.ifPresent(r -> r.take(standing.get(), names));
    }
}
