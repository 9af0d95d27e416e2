package app.denfold.server.coverage.slots;

import app.denfold.server.catalog.CatalogEvents.RulesChanged;
import app.denfold.server.commits.AtCommit;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.people.PeopleEvents.FileOpened;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.people.PersonFiles;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Has slots recomputed when something happens: of one person in the same transaction, of all after a rule change. */
@Component
class SlotEvents {

    private final RecomputeSlots recompute;
    private final CatchUpJob catchUp;
    private final PersonFiles people;
    private final AtCommit atCommit;
    private final Consumer<Collection<UUID>> recomputing = this::recompute;

    SlotEvents(RecomputeSlots recompute, CatchUpJob catchUp, PersonFiles people, AtCommit atCommit) {
        this.atCommit = atCommit;
        this.people = people;
        this.recompute = recompute;
        this.catchUp = catchUp;
    }

    @EventListener
    void on(FileOpened event) {
        recomputeBeforeCommit(event.fileId());
    }

    @EventListener
    void on(PersonChanged event) {
        recomputeBeforeCommit(event.fileId());
    }

    @EventListener
    void on(FileContentChanged event) {
        recomputeBeforeCommit(event.fileId());
    }

    @EventListener
    void on(RulesChanged event) {
        if (event.slots()) {
            catchUp.schedule(event);
        }
    }

    @EventListener
    void rollWhenStarted(ApplicationReadyEvent ready) {
        recompute.roll();
        catchUp.scheduleWhenOutdated();
    }

    /** Once for each file of the running transaction, however much of it changes. */
    private void recomputeBeforeCommit(UUID fileId) {
        atCommit.add(AtCommit.Step.SLOTS, fileId, recomputing);
    }

    private void recompute(Collection<UUID> fileIds) {
        Set<UUID> each = new LinkedHashSet<>(fileIds);
        recompute.recompute(each);
        people.refuseMerged(each);
    }
}
