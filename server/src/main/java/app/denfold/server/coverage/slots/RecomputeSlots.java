package app.denfold.server.coverage.slots;

import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.SlotCourse;
import app.denfold.core.rules.Status;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.coverage.SlotKey;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps stored slots equal to what the core computes. Files are held while theirs are computed. */
@Service
public class RecomputeSlots {

    private static final Logger LOG = LoggerFactory.getLogger(RecomputeSlots.class);
    private static final int FILES_AT_ONCE = 200;
    private static final int SLOTS_AT_ONCE = 2_000;

    private final EvaluateFile evaluate;
    private final Catalog catalog;
    private final PersonFiles files;
    private final SlotRepository slots;
    private final FileStandingRepository standings;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;
    private final EntityManager entities;

    RecomputeSlots(
            EvaluateFile evaluate,
            Catalog catalog,
            PersonFiles files,
            SlotRepository slots,
            FileStandingRepository standings,
            PracticeCalendar calendar,
            TransactionTemplate transactions,
            EntityManager entities) {
        this.evaluate = evaluate;
        this.catalog = catalog;
        this.files = files;
        this.slots = slots;
        this.standings = standings;
        this.calendar = calendar;
        this.transactions = transactions;
        this.entities = entities;
    }

    /** Computes the slots of these files for today and stores what differs. */
    @Transactional
    public void recompute(Collection<UUID> fileIds) {
        List<UUID> all = List.copyOf(fileIds);
        for (int i = 0; i < all.size(); i += FILES_AT_ONCE) {
            recomputeSome(all.subList(i, Math.min(all.size(), i + FILES_AT_ONCE)));
        }
    }

    private void recomputeSome(List<UUID> fileIds) {
        files.lock(fileIds);
        LocalDate today = calendar.today();
        Catalog.Rules rules = catalog.rules();
        Map<UUID, List<Slot>> stored = slots.findByFiles(fileIds).stream()
                .collect(Collectors.groupingBy(s -> s.key().fileId()));
        Map<UUID, FileStandingRow> standing = new HashMap<>();
        standings.findAllById(fileIds).forEach(row -> standing.put(row.getId(), row));
        for (Map.Entry<UUID, Person> person : evaluate.persons(fileIds).entrySet()) {
            UUID id = person.getKey();
            KnownFile known = KnownFile.of(rules.book(), person.getValue(), today);
            List<Slot> now = store(id, known, stored.getOrDefault(id, List.of()), today);
            FileStandingRow row = standing.getOrDefault(id, new FileStandingRow(id));
            row.take(now, known.clearThrough(today), rules.slotsRevision());
            standings.save(row);
        }
    }

    private List<Slot> store(UUID fileId, KnownFile known, List<Slot> stored, LocalDate today) {
        Map<SlotKey, Slot> before = new HashMap<>();
        stored.forEach(slot -> before.put(slot.key(), slot));
        List<Slot> now = new ArrayList<>();
        for (SlotCourse course : known.slots()) {
            SlotKey key = new SlotKey(fileId, course.checklist(), course.code());
            Slot slot = before.containsKey(key) ? before.remove(key) : new Slot(key);
            slot.take(
                    course.from(today, Step.MOST_KEPT + 1), course.since(today).orElse(null), now.size());
            now.add(slots.save(slot));
        }
        slots.deleteAll(before.values());
        return now;
    }

    /**
     * Makes the changes of slots whose day has come, file by file in small transactions. What it costs grows with how
     * many change, not with how many there are.
     *
     * @return how many slots changed
     */
    public int roll() {
        LocalDate today = calendar.today();
        int changed = 0;
        List<UUID> due = slots.findFilesChangingBy(today, SLOTS_AT_ONCE);
        while (!due.isEmpty()) {
            List<UUID> some = due;
            changed += transactions.execute(t -> roll(some, today));
            due = slots.findFilesChangingBy(today, SLOTS_AT_ONCE);
        }
        if (changed > 0) {
            LOG.info("{} slots changed by the day", changed);
        }
        return changed;
    }

    private int roll(List<UUID> fileIds, LocalDate today) {
        files.lock(fileIds);
        Map<UUID, FileStandingRow> standing = new HashMap<>();
        standings.findAllById(fileIds).forEach(row -> standing.put(row.getId(), row));
        Set<UUID> anew = new LinkedHashSet<>();
        List<Slot> changing = slots.findChangingBy(fileIds, today);
        for (Slot slot : changing) {
            Status before = slot.status();
            boolean known = slot.advanceTo(today);
            boolean stands = Objects.requireNonNull(standing.get(slot.key().fileId()))
                    .change(slot.isBlocking(), before, slot.status());
            if (!known || !stands) {
                anew.add(slot.key().fileId());
            }
        }
        entities.flush();
        recompute(anew);
        return changing.size();
    }

    /**
     * Recomputes the files whose slots were computed by older rules, in small transactions; once begun it can be broken
     * off and goes on where it was.
     *
     * @param progress is told how many files are done
     */
    public int catchUp(IntConsumer progress) {
        int done = 0;
        List<UUID> outdated = standings.findOutdated(catalog.rules().slotsRevision(), FILES_AT_ONCE);
        while (!outdated.isEmpty()) {
            recomputeApart(outdated);
            done += outdated.size();
            progress.accept(done);
            outdated = standings.findOutdated(catalog.rules().slotsRevision(), FILES_AT_ONCE);
        }
        return done;
    }

    /** How many files were computed by older rules. */
    public int countOutdated() {
        return standings.countOutdated(catalog.rules().slotsRevision());
    }

    /** Recomputes every file. */
    public void rebuildAll() {
        List<UUID> all = files.allIds();
        for (int i = 0; i < all.size(); i += FILES_AT_ONCE) {
            recomputeApart(all.subList(i, Math.min(all.size(), i + FILES_AT_ONCE)));
        }
    }

    private void recomputeApart(List<UUID> fileIds) {
        transactions.executeWithoutResult(t -> recompute(fileIds));
    }
}
