package app.denfold.server.chasing.history;

import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.Watched;
import app.denfold.core.notices.Who;
import app.denfold.server.coverage.ledger.Ledger.SlotAnswer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** One thing that somebody was told, by a plan or by hand. One without a notice stands in Today. */
@Entity
public class Told implements Persistable<UUID> {

    @Id
    private UUID id;

    /** Null when it was told by hand, as are all that say which turn of the plan it was. */
    private @Nullable UUID planId;

    private @Nullable String planName;
    private @Nullable String step;
    private @Nullable Integer number;
    private UUID fileId;
    private @Nullable String checklist;
    private @Nullable String requirement;
    private @Nullable UUID documentId;
    private String label;
    private String[] types;
    private @Nullable LocalDate anchor;
    private String recipient;
    private String recipientName;
    private String why;
    private LocalDate toldOn;
    private @Nullable UUID noticeId;
    private @Nullable UUID accountId;
    private boolean cameBack;
    private @Nullable Instant closedAt;
    private @Nullable String closedBy;

    @Transient
    private boolean stored;

    @SuppressWarnings("NullAway.Init")
    protected Told() {}

    /** @param why in words @param notice by which it was told; null for a task */
    public static Told byPlan(Telling telling, String why, LocalDate on, @Nullable UUID notice) {
        TurnKey key = TurnKey.of(telling.turn());
        Told told = of(key.fileId(), telling.watched(), on);
        told.planId = key.planId();
        told.planName = telling.plan().name();
        told.step = key.step();
        told.number = key.number();
        told.anchor = key.anchor();
        told.recipient = key.recipient();
        told.recipientName = telling.recipient().name();
        told.why = why;
        told.noticeId = notice;
        told.accountId = telling.step().who() instanceof Who.Task task && task.account() != null
                ? UUID.fromString(task.account())
                : null;
        return told;
    }

    /** @param recipient address @param by name of who told it */
    public static Told byHand(
            UUID file, SlotAnswer slot, String recipient, String recipientName, String by, LocalDate on, UUID notice) {
        Told told = new Told();
        told.id = UuidCreator.getTimeOrderedEpoch();
        told.fileId = file;
        told.checklist = slot.checklist();
        told.requirement = slot.requirement();
        told.label = slot.label();
        told.types = slot.types().toArray(String[]::new);
        told.recipient = recipient;
        told.recipientName = recipientName;
        told.why = "By hand, by " + by;
        told.toldOn = on;
        told.noticeId = notice;
        return told;
    }

    private static Told of(UUID file, Watched watched, LocalDate on) {
        Told told = new Told();
        told.id = UuidCreator.getTimeOrderedEpoch();
        told.fileId = file;
        told.checklist = watched.thing().checklist();
        told.requirement = watched.thing().requirement();
        told.documentId = watched.thing().paper() == null
                ? null
                : UUID.fromString(watched.thing().paper());
        told.label = watched.label();
        told.types = watched.types().toArray(String[]::new);
        told.toldOn = on;
        return told;
    }

    /** Which turn of a plan it was; empty when it was told by hand. */
    public Optional<TurnKey> key() {
        return planId == null || step == null || number == null || anchor == null
                ? Optional.empty()
                : Optional.of(new TurnKey(
                        planId, step, number, fileId, checklist, requirement, documentId, anchor, recipient));
    }

    /** Somebody did what the task asks, or says that nobody need. */
    public void close(String by, Instant at) {
        this.closedBy = by;
        this.closedAt = at;
    }

    public Watched.Thing thing() {
        return new Watched.Thing(checklist, requirement, documentId == null ? null : documentId.toString());
    }

    @Override
    public UUID getId() {
        return id;
    }

    @Override
    public boolean isNew() {
        return !stored;
    }

    @PostLoad
    @PostPersist
    void wasStored() {
        stored = true;
    }

    public UUID id() {
        return id;
    }

    public UUID fileId() {
        return fileId;
    }

    public String label() {
        return label;
    }

    public List<String> types() {
        return List.of(types);
    }

    public String recipientName() {
        return recipientName;
    }

    public String why() {
        return why;
    }

    public LocalDate toldOn() {
        return toldOn;
    }

    public @Nullable UUID noticeId() {
        return noticeId;
    }

    public @Nullable UUID accountId() {
        return accountId;
    }

    public @Nullable String planName() {
        return planName;
    }
}
