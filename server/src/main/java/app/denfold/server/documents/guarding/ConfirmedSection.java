package app.denfold.server.documents.guarding;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import java.time.LocalDate;
import java.util.UUID;

/** A section of a file that was checked as complete. */
@Entity
class ConfirmedSection {

    @Embeddable
    record Key(UUID fileId, String section) {}

    @EmbeddedId
    private Key key;

    private String byName;
    private LocalDate confirmedOn;

    @SuppressWarnings("NullAway.Init")
    protected ConfirmedSection() {}

    ConfirmedSection(Key key, String byName, LocalDate confirmedOn) {
        this.key = key;
        this.byName = byName;
        this.confirmedOn = confirmedOn;
    }

    String section() {
        return key.section();
    }

    String byName() {
        return byName;
    }

    LocalDate confirmedOn() {
        return confirmedOn;
    }
}
