package app.denfold.server.leaving.mailing;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A mail with which copies went to somebody. */
@Entity
@Table(name = "copy_mail")
class CopyMail {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer changes;

    private UUID fileId;
    private String reader;
    private String address;
    private boolean attached;

    /** Of the one PDF that several became; null where each goes by itself. */
    private @Nullable String title;

    /** Up to and including which day its link leads to them; null when they were attached. */
    private @Nullable LocalDate endsOn;

    private @Nullable Instant endedAt;
    private UUID noticeId;
    private @Nullable Instant firstOpenedAt;
    private @Nullable Instant lastOpenedAt;
    private UUID byId;
    private String byName;
    private Instant at;

    @SuppressWarnings("NullAway.Init")
    protected CopyMail() {}

    /** To whom it went. */
    record To(String reader, String address) {}

    /** How the copies went with it. @param endsOn null when they were attached */
    record Shape(@Nullable LocalDate endsOn, @Nullable String title) {}

    @SuppressWarnings("NullAway.Init")
    CopyMail(UUID fileId, To to, Shape shape, UUID noticeId, Viewer by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.reader = to.reader();
        this.address = to.address();
        this.attached = shape.endsOn() == null;
        this.endsOn = shape.endsOn();
        this.title = shape.title();
        this.noticeId = noticeId;
        this.byId = by.accountId();
        this.byName = by.name();
        this.at = now;
    }

    UUID id() {
        return id;
    }

    UUID fileId() {
        return fileId;
    }

    String reader() {
        return reader;
    }

    String address() {
        return address;
    }

    boolean attached() {
        return attached;
    }

    @Nullable
    String title() {
        return title;
    }

    @Nullable
    LocalDate endsOn() {
        return endsOn;
    }

    UUID noticeId() {
        return noticeId;
    }

    @Nullable
    Instant firstOpenedAt() {
        return firstOpenedAt;
    }

    @Nullable
    Instant lastOpenedAt() {
        return lastOpenedAt;
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

    /** When somebody ended its link by hand; null otherwise. */
    @Nullable
    Instant endedAt() {
        return endedAt;
    }

    boolean isOver(LocalDate today) {
        return endedAt != null || endsOn == null || today.isAfter(endsOn);
    }

    void end(Instant now) {
        this.endedAt = now;
    }

    /** @return whether it was the first time */
    boolean opened(Instant now) {
        boolean isFirst = firstOpenedAt == null;
        if (isFirst) {
            firstOpenedAt = now;
        }
        lastOpenedAt = now;
        return isFirst;
    }
}
