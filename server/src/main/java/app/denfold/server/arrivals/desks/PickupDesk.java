package app.denfold.server.arrivals.desks;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** A pickup folder: what is known beforehand of the papers that come through it. */
@Entity
public class PickupDesk {

    @Id
    private String name;

    @Version
    private Integer version;

    private @Nullable String type;
    private @Nullable String description;
    private @Nullable String source;
    private boolean splitBlank;
    private boolean splitCounts;
    private int splitEvery;
    private boolean dropBlank;
    private boolean filesCovers;
    private int pauseSeconds;

    @SuppressWarnings("NullAway.Init")
    protected PickupDesk() {}

    void set(PickupDesks.DeskDetails to) {
        this.type = to.type();
        this.description = to.description();
        this.source = to.source();
        this.splitBlank = to.splitBlank();
        this.splitCounts = to.splitCounts();
        this.splitEvery = to.splitEvery();
        this.dropBlank = to.dropBlank();
        this.filesCovers = to.filesCovers();
        this.pauseSeconds = to.pauseSeconds();
    }

    PickupDesks.DeskDetails details() {
        return new PickupDesks.DeskDetails(
                name,
                type,
                description,
                source,
                splitBlank,
                splitCounts,
                splitEvery,
                dropBlank,
                filesCovers,
                pauseSeconds);
    }

    /** For so long a file has to stand still before it is taken. */
    public Duration pause() {
        return Duration.ofSeconds(pauseSeconds);
    }

    public @Nullable String type() {
        return type;
    }

    public @Nullable String description() {
        return description;
    }

    public boolean filesCovers() {
        return filesCovers;
    }
}
