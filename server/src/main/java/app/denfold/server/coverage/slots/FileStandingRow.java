package app.denfold.server.coverage.slots;

import app.denfold.core.rules.ClearThrough;
import app.denfold.core.rules.Status;
import app.denfold.core.rules.Verdict;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** How a whole file stands, with how many of its slots have each status; a cache beside its slots. */
@Entity
@Table(name = "file_standing")
class FileStandingRow implements Persistable<UUID> {

    @Id
    private UUID fileId;

    private boolean clear;
    private @Nullable LocalDate clearThrough;
    private int openBlocking;
    private long rulesRevision;
    private int waived;
    private int onFile;
    private int expiring;
    private int inGrace;
    private int inReview;
    private int awaitingSignature;
    private int lapsed;
    private int sentBack;
    private int notYetDue;
    private int missing;

    @Transient
    private boolean stored;

    @SuppressWarnings("NullAway.Init")
    protected FileStandingRow() {}

    FileStandingRow(UUID fileId) {
        this.fileId = fileId;
    }

    /** @param revision of the rules by which the slots were computed */
    void take(List<Slot> slots, ClearThrough through, long revision) {
        waived = onFile = expiring = inGrace = inReview = awaitingSignature = 0;
        lapsed = sentBack = notYetDue = missing = openBlocking = 0;
        slots.forEach(slot -> count(slot.status(), slot.isBlocking(), 1));
        this.clear = !(through instanceof ClearThrough.NotClear);
        this.clearThrough = through instanceof ClearThrough.Through t ? t.day() : null;
        this.rulesRevision = revision;
    }

    /**
     * One slot went from one status to another.
     *
     * @return false when the file became clear, so that until when must be computed
     */
    boolean change(boolean blocking, Status from, Status to) {
        count(from, blocking, -1);
        count(to, blocking, 1);
        if (openBlocking > 0) {
            clear = false;
            clearThrough = null;
        }
        return openBlocking > 0 || clear;
    }

    private void count(Status status, boolean blocking, int by) {
        switch (status) {
            case WAIVED -> waived += by;
            case ON_FILE -> onFile += by;
            case EXPIRING -> expiring += by;
            case IN_GRACE -> inGrace += by;
            case IN_REVIEW -> inReview += by;
            case AWAITING_SIGNATURE -> awaitingSignature += by;
            case LAPSED -> lapsed += by;
            case SENT_BACK -> sentBack += by;
            case NOT_YET_DUE -> notYetDue += by;
            case MISSING -> missing += by;
            case NOT_APPLICABLE -> {
                return;
            }
        }
        openBlocking += Verdict.isOpen(blocking, status) ? by : 0;
    }

    @Override
    public UUID getId() {
        return fileId;
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
}
