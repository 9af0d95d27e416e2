package app.denfold.server.coverage;

import app.denfold.core.rules.ClearThrough;
import app.denfold.core.rules.FileStanding;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** How a whole file stands; a cache beside its slots. */
@Entity
@Table(name = "file_standing")
class FileStandingRow implements Persistable<UUID> {

    @Id
    private UUID fileId;

    private boolean clear;
    private LocalDate clearThrough;
    private int openSlots;
    private LocalDate computedFor;

    @Transient
    private boolean stored;

    protected FileStandingRow() {}

    FileStandingRow(UUID fileId) {
        this.fileId = fileId;
    }

    void take(FileStanding standing, LocalDate day) {
        this.clear = standing.isClear();
        this.clearThrough = standing.clearThrough() instanceof ClearThrough.Through through ? through.day() : null;
        this.openSlots = (int) standing.requirements().stream()
                .filter(r -> r.status().isOpen())
                .count();
        this.computedFor = day;
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

    boolean isClear() {
        return clear;
    }

    LocalDate clearThrough() {
        return clearThrough;
    }
}
