package app.denfold.server.finding.saved;

import app.denfold.server.finding.FindCriteria;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** Criteria kept under a name. */
@Entity
class SavedSearch {

    /** Where it stands besides the page it was made on. */
    enum Place {
        TODAY,
        FILES
    }

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String name;

    @JdbcTypeCode(SqlTypes.JSON)
    private FindCriteria criteria;

    private UUID ownerId;
    private boolean shared;

    @Enumerated(EnumType.STRING)
    private @Nullable Place place;

    @SuppressWarnings("NullAway.Init")
    protected SavedSearch() {}

    /** Says nothing before {@link #take}. */
    @SuppressWarnings("NullAway.Init")
    SavedSearch(UUID ownerId) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.ownerId = ownerId;
    }

    void take(String named, FindCriteria asked, boolean withAll, @Nullable Place standsIn) {
        this.name = named;
        this.criteria = asked;
        this.shared = withAll;
        this.place = standsIn;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    FindCriteria criteria() {
        return criteria;
    }

    UUID ownerId() {
        return ownerId;
    }

    boolean shared() {
        return shared;
    }

    @Nullable
    Place place() {
        return place;
    }
}
