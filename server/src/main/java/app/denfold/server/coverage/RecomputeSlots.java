package app.denfold.server.coverage;

import app.denfold.core.rules.FileStanding;
import app.denfold.core.rules.RequirementDays;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.people.Files;
import app.denfold.server.people.PeopleEvents.FileOpened;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps stored slots equal to what the core computes: for one person in the transaction that changed something of his,
 * and each night for those whose next change day has come.
 */
@Service
public class RecomputeSlots {

    private static final Logger LOG = LoggerFactory.getLogger(RecomputeSlots.class);

    private final EvaluateFile evaluate;
    private final Files files;
    private final SlotRepository slots;
    private final FileStandingRepository standings;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    RecomputeSlots(
            EvaluateFile evaluate,
            Files files,
            SlotRepository slots,
            FileStandingRepository standings,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.evaluate = evaluate;
        this.files = files;
        this.slots = slots;
        this.standings = standings;
        this.calendar = calendar;
        this.transactions = transactions;
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
            files.forEach(RecomputeSlots.this::recompute);
        }

        @Override
        public void suspend() {
            TransactionSynchronizationManager.unbindResource(RecomputeSlots.this);
        }

        @Override
        public void resume() {
            TransactionSynchronizationManager.bindResource(RecomputeSlots.this, this);
        }

        @Override
        public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResourceIfPossible(RecomputeSlots.this);
        }
    }

    /** Computes the slots of one file for today and stores them. */
    @Transactional
    public void recompute(UUID fileId) {
        LocalDate today = calendar.today();
        EvaluateFile.Evaluated evaluated = evaluate.evaluate(files.file(fileId), today);
        Map<SlotKey, Slot> before = new HashMap<>();
        slots.findByFile(fileId).forEach(s -> before.put(s.key(), s));
        int place = 0;
        for (RequirementDays requirement : evaluated.known().requirements()) {
            SlotKey key = new SlotKey(
                    fileId, requirement.checklist(), requirement.requirement().code());
            Slot slot = before.containsKey(key) ? before.remove(key) : new Slot(key);
            slot.take(requirement.on(today), requirement.since(today).orElse(null), place++, today);
            slots.save(slot);
        }
        slots.deleteAll(before.values());
        FileStanding standing = evaluated.known().on(today);
        FileStandingRow row = standings.findById(fileId).orElseGet(() -> new FileStandingRow(fileId));
        row.take(standing, today);
        standings.save(row);
    }

    /** Recomputes the files in which some slot changes by today; each in a transaction of its own. */
    public int roll() {
        List<UUID> due = slots.findFilesChangingBy(calendar.today());
        due.forEach(id -> transactions.executeWithoutResult(t -> recompute(id)));
        if (!due.isEmpty()) {
            LOG.info("{} files changed by the day", due.size());
        }
        return due.size();
    }

    /** Recomputes every file; what is stored afterwards depends on nothing that was stored before. */
    public void rebuildAll() {
        files.allIds().forEach(id -> transactions.executeWithoutResult(t -> recompute(id)));
    }

    @EventListener
    void rollWhenStarted(ApplicationReadyEvent ready) {
        roll();
    }
}
