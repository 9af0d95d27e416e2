package app.denfold.server.standing;

import app.denfold.core.receiving.PaperStanding;
import app.denfold.core.receiving.PaperStanding.Side;
import app.denfold.core.receiving.PaperStanding.Stage;
import app.denfold.core.receiving.Receiver.Who;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** How a paper stands, as it was last worked out. */
@Entity
@Table(name = "paper_standing")
class PaperStandingRow {

    @Id
    private UUID documentId;

    @Enumerated(EnumType.STRING)
    private Stage stage;

    @Enumerated(EnumType.STRING)
    private @Nullable Side waitsFor;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Named> names = List.of();

    private LocalDate since;
    private int sent;
    private int receivers;
    private boolean checked;
    private boolean wantsCheck;

    /** Whether rules changed since. */
    private boolean outdated;

    @SuppressWarnings("NullAway.Init")
    protected PaperStandingRow() {}

    /**
     * Somebody it waits for.
     *
     * @param label what they are, to whoever may not see who it is
     * @param fileId of their own file; null when they have none
     * @param who what says that they must have the paper; null when nothing does
     */
    record Named(
            String label,
            String name,
            @jakarta.annotation.Nullable UUID fileId,
            @jakarta.annotation.Nullable Who who) {

        /** Whether nobody is known who is that. */
        boolean nobodyKnown() {
            return who != null && who != Who.OUTSIDER && fileId == null && name.equals(label);
        }
    }

    void take(PaperStanding standing, List<Named> named) {
        this.stage = standing.stage();
        this.waitsFor = standing.waitsFor();
        this.names = named;
        this.since = standing.since();
        this.sent = standing.sent();
        this.receivers = standing.receivers();
        this.checked = standing.checked();
        this.wantsCheck = standing.wantsCheck();
        this.outdated = false;
    }

    UUID documentId() {
        return documentId;
    }

    Stage stage() {
        return stage;
    }

    @Nullable
    Side waitsFor() {
        return waitsFor;
    }

    List<Named> names() {
        return names;
    }

    LocalDate since() {
        return since;
    }

    int sent() {
        return sent;
    }

    int receivers() {
        return receivers;
    }

    boolean checked() {
        return checked;
    }

    boolean wantsCheck() {
        return wantsCheck;
    }
}
