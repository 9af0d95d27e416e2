package app.denfold.server.standing;

import app.denfold.server.audit.ActRecorded;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.CatalogEvents.RulesChanged;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.commits.AtCommit;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Has it worked out anew how papers stand whenever something was done about them. Every such act stands in the trail, with
 * the paper or at least the file it was about: so nobody who does something has to think of this.
 */
@Component
class StandingEvents {

    private final WorkOutStanding workOut;
    private final StandingJob job;
    private final PaperStandingRepository rows;
    private final Catalog catalog;
    private final AtCommit atCommit;
    private final Consumer<Collection<UUID>> working = this::work;
    private final Consumer<Collection<UUID>> workingOnFiles = this::workOnFiles;

    StandingEvents(
            WorkOutStanding workOut,
            StandingJob job,
            PaperStandingRepository rows,
            Catalog catalog,
            AtCommit atCommit) {
        this.workOut = workOut;
        this.job = job;
        this.rows = rows;
        this.catalog = catalog;
        this.atCommit = atCommit;
    }

    @EventListener
    void on(ActRecorded act) {
        if (act.documentId() != null) {
            atCommit.add(AtCommit.Step.STANDING, act.documentId(), working);
        } else if (act.fileId() != null) {
            atCommit.add(AtCommit.Step.STANDING, act.fileId(), workingOnFiles);
        }
    }

    @EventListener
    void on(FileContentChanged change) {
        atCommit.add(AtCommit.Step.STANDING, change.documentId(), working);
    }

    @EventListener
    void on(PersonChanged change) {
        atCommit.add(AtCommit.Step.STANDING, change.fileId(), workingOnFiles);
    }

    @EventListener
    void on(RulesChanged change) {
        if (change.found()) {
            rows.outdateAll();
            job.schedule("a change of " + change.what(), change.by());
        }
    }

    @EventListener
    void catchUp(ApplicationReadyEvent ready) {
        job.catchUpWhenStarted();
    }

    private void work(Collection<UUID> documentIds) {
        workOut.workOut(new LinkedHashSet<>(documentIds));
    }

    private void workOnFiles(Collection<UUID> fileIds) {
        String[] followed = catalog.rules().types().values().stream()
                .filter(t -> !t.receiving().asksNothing())
                .map(KeptDocumentType::code)
                .toArray(String[]::new);
        if (followed.length > 0) {
            workOut.workOut(rows.findOfFiles(Set.copyOf(fileIds), followed));
        }
    }
}
