package app.denfold.server.keeping;

import app.denfold.server.access.Viewer;
import app.denfold.server.keeping.FilesToLeave.Due;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;

/** What is left of a file that was destroyed: that it was, by which rule and by whom. It names no person. */
@Entity
class DestroyedFile {

    @Id
    private UUID id;

    /** The same for all that were destroyed together. */
    private UUID certificate;

    private String number;
    private String kindLabel;
    private LocalDate leftOn;
    private LocalDate keptUntil;
    private String rule;
    private int papers;
    private String byName;
    private Instant at;

    @SuppressWarnings("NullAway.Init")
    protected DestroyedFile() {}

    DestroyedFile(UUID certificate, Due due, int papers, Viewer by, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.certificate = certificate;
        this.number = due.file().number();
        this.kindLabel = due.kindLabel();
        this.leftOn = due.file().leftOn();
        this.keptUntil = due.keptUntil();
        this.rule = due.rule();
        this.papers = papers;
        this.byName = by.name();
        this.at = at;
    }

    UUID certificate() {
        return certificate;
    }

    String number() {
        return number;
    }

    String kindLabel() {
        return kindLabel;
    }

    LocalDate leftOn() {
        return leftOn;
    }

    LocalDate keptUntil() {
        return keptUntil;
    }

    String rule() {
        return rule;
    }

    int papers() {
        return papers;
    }

    String byName() {
        return byName;
    }

    Instant at() {
        return at;
    }
}
