package app.denfold.server.coverage;

import app.denfold.server.catalog.CatalogEvents.RulesChanged;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.people.Files;
import app.denfold.server.people.PeopleEvents.FileOpened;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.UUID;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Has slots recomputed when something happens: of one person in the same transaction, of all after a rule change. */
@Component
class SlotEvents {

    private final RecomputeSlots recompute;
    private final CatchUpJob catchUp;
    private final Files people;

    SlotEvents(RecomputeSlots recompute, CatchUpJob catchUp, Files people) {
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
        catchUp.schedule(event);
    }

    @EventListener
    void rollWhenStarted(ApplicationReadyEvent ready) {
        recompute.roll();
        catchUp.scheduleWhenOutdated();
    }

    /** Once for each file of the running transaction, however much of it changes. */
    private void recomputeBeforeCommit(UUID fileId) {
        Touched touched = (Touched) TransactionSynchronizationManager.getResource(this);
        if (touched == null) {
            touched = new Touched();
            TransactionSynchronizationManager.bindResource(this, touched);
            TransactionSynchronizationManager.registerSynchronization(touched);
        }
        touched.files.add(fileId);
    }

    private final class Touched implements TransactionSynchronization {
        private final Set<UUID> files = new LinkedHashSet<>();

        @Override
        public void beforeCommit(boolean readOnly) {
            recompute.recompute(files);
            people.refuseMerged(files);
        }

        @Override
        public void suspend() {
            TransactionSynchronizationManager.unbindResource(SlotEvents.this);
        }

        @Override
        public void resume() {
            TransactionSynchronizationManager.bindResource(SlotEvents.this, this);
        }

        @Override
        public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResourceIfPossible(SlotEvents.this);
        }
    }
}
