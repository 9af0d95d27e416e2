package app.denfold.server.excerpts;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Words picked from a page of a version of a document. */
@Entity
class Excerpt {

    @Id
    private UUID id;

    private UUID documentId;
    private int version;
    private int page;
    private String words;
    private @Nullable String note;
    private UUID byId;
    private String byName;
    private Instant at;

    @SuppressWarnings("NullAway.Init")
    protected Excerpt() {}

    /** @param version from 1 @param page from 1; 0 for a document without pages */
    record Place(UUID documentId, int version, int page) {}

    Excerpt(Place place, String words, @Nullable String note, Viewer by, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentId = place.documentId();
        this.version = place.version();
        this.page = place.page();
        this.words = words;
        this.note = note;
        this.byId = by.accountId();
        this.byName = by.name();
        this.at = at;
    }

    UUID id() {
        return id;
    }

    UUID documentId() {
        return documentId;
    }

    int version() {
        return version;
    }

    int page() {
        return page;
    }

    String words() {
        return words;
    }

    @Nullable
    String note() {
        return note;
    }

    UUID byId() {
        return byId;
    }

    String byName() {
        return byName;
    }

    Instant at() {
        return at;
    }
}
