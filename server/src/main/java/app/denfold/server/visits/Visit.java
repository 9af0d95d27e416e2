package app.denfold.server.visits;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A day on which a person comes or came. */
@Entity
class Visit {

    @Id
    private UUID id;

    private UUID fileId;
    private LocalDate day;
    private @Nullable String words;
    private String byName;

    @SuppressWarnings("NullAway.Init")
    protected Visit() {}

    Visit(UUID fileId, LocalDate day, @Nullable String words, String byName) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.day = day;
        this.words = words;
        this.byName = byName;
    }

    UUID id() {
        return id;
    }

    LocalDate day() {
        return day;
    }

    @Nullable
    String words() {
        return words;
    }

    String byName() {
        return byName;
    }
}
