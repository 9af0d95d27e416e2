package app.denfold.server.marks;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.PagePoint;
import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A mark on a page of a version of a paper. */
@Entity
class PaperMark {

    @Id
    private UUID id;

    private UUID documentId;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer changes;

    private int version;
    private int page;

    @Enumerated(EnumType.STRING)
    private MarkKind kind;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<PageBox> areas = List.of();

    @JdbcTypeCode(SqlTypes.JSON)
    private List<List<PagePoint>> lines = List.of();

    private int placeTop;
    private int placeLeft;
    private @Nullable String text;
    private @Nullable String reason;
    private @Nullable Integer carriedFrom;
    private UUID byId;
    private String byName;
    private Instant at;
    private @Nullable Instant changedAt;

    @SuppressWarnings("NullAway.Init")
    protected PaperMark() {}

    PaperMark(PagePlace place, MarkShape shape, Viewer by, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentId = place.documentId();
        this.version = place.version();
        this.page = place.page();
        this.byId = by.accountId();
        this.byName = by.name();
        this.at = at;
        shape(shape);
    }

    /** The same mark on a newer version. */
    PaperMark(PaperMark from, int version) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentId = from.documentId;
        this.version = version;
        this.page = from.page;
        this.byId = from.byId;
        this.byName = from.byName;
        this.at = from.at;
        this.changedAt = from.changedAt;
        this.carriedFrom = from.version;
        shape(from.shape());
    }

    /** The same on the same page of another version, or paper: it stands where it stood. @param turn of that page, clockwise */
    PaperMark at(PagePlace place, int turn) {
        PaperMark copy = new PaperMark(this, place.version());
        copy.documentId = place.documentId();
        copy.page = place.page();
        copy.carriedFrom = carriedFrom;
        copy.shape(shape().turned(turn));
        return copy;
    }

    /** The same on a version with the same bytes. */
    PaperMark on(int newer) {
        return at(new PagePlace(documentId, newer, page), 0);
    }

    /** Whether it stands on the same page in the same shape. */
    boolean isSameAs(PaperMark other) {
        return page == other.page && shape().equals(other.shape());
    }

    private void shape(MarkShape shape) {
        this.kind = shape.kind();
        this.areas = shape.areas();
        this.lines = shape.lines();
        this.text = shape.text();
        this.reason = shape.reason();
        this.placeTop = shape.place().top();
        this.placeLeft = shape.place().left();
    }

    void change(MarkShape to, Instant now) {
        shape(to);
        this.changedAt = now;
        // whoever moves or changes it has looked where it stands
        this.carriedFrom = null;
    }

    MarkShape shape() {
        return new MarkShape(kind, areas, lines, text, reason);
    }

    UUID id() {
        return id;
    }

    UUID documentId() {
        return documentId;
    }

    int changes() {
        return changes == null ? 0 : changes;
    }

    int version() {
        return version;
    }

    int page() {
        return page;
    }

    MarkKind kind() {
        return kind;
    }

    /** The version it was made on, while nobody has changed it on this one. */
    @Nullable
    Integer carriedFrom() {
        return carriedFrom;
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

    @Nullable
    Instant changedAt() {
        return changedAt;
    }
}
