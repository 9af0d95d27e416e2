package app.denfold.server.standing;

import app.denfold.core.receiving.PaperStanding;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.problems.Refusal;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The second person's check, of several papers at once. */
@Service
class CheckPapers {

    static final int MOST = 100;

    private final Documents documents;
    private final GatherFacts gather;
    private final Decisions decisions;

    CheckPapers(Documents documents, GatherFacts gather, Decisions decisions) {
        this.documents = documents;
        this.gather = gather;
        this.decisions = decisions;
    }

    /** @param version number of the one that was looked at, from 1 */
    record Looked(@NotNull UUID id, int version) {}

    /** All of them or, when one cannot be checked by the viewer, none. @throws Refusal then, naming it */
    @Transactional
    public void check(Viewer viewer, List<Looked> papers) {
        if (papers.isEmpty() || papers.size() > MOST) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST + " papers.");
        }
        papers.forEach(p -> {
            FiledDocument paper = documents.visible(viewer, p.id());
            if (paper.checkedOn() == null && !waits(paper)) {
                throw Refusal.conflict(
                        "not-to-check",
                        "“" + paper.name() + "” does not wait for a second person: "
                                + "it is not complete yet, or its type asks for no check.");
            }
            decisions.check(viewer, p.id(), p.version());
        });
    }

    private boolean waits(FiledDocument paper) {
        return PaperStanding.of(Objects.requireNonNull(gather.of(List.of(paper)).get(paper.id()))
                        .facts())
                .filter(PaperStanding::wantsCheck)
                .isPresent();
    }
}
