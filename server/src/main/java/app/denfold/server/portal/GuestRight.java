package app.denfold.server.portal;

import app.denfold.core.sharing.Granted;
import app.denfold.core.sharing.Granted.Deed;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** What a guest may do in one file. */
@Entity
public class GuestRight {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID accountId;
    private UUID fileId;
    private String relation;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<Deed> deeds = List.of();

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "guest_section_right", joinColumns = @JoinColumn(name = "right_id"))
    private List<InSection> inSections = new ArrayList<>();

    private @Nullable LocalDate shownUntil;
    private Instant grantedAt;

    @SuppressWarnings("NullAway.Init")
    protected GuestRight() {}

    GuestRight(UUID accountId, UUID fileId, String relation, Granted granted, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.accountId = accountId;
        this.fileId = fileId;
        this.relation = relation;
        this.grantedAt = now;
        grant(granted);
    }

    /** One that is kept nowhere: of somebody with his own file, which the practice grants to all such. */
    static GuestRight ofOwnFile(UUID accountId, UUID fileId, Granted granted, Instant now) {
        return new GuestRight(accountId, fileId, "own file", granted, now);
    }

    final void grant(String as, Granted granted) {
        this.relation = as;
        grant(granted);
    }

    private void grant(Granted granted) {
        this.deeds = granted.inFile().stream().sorted().toList();
        this.inSections.clear();
        granted.inSections()
                .forEach((section, some) -> inSections.add(
                        new InSection(section, some.stream().sorted().toList())));
        this.shownUntil = granted.until();
    }

    UUID id() {
        return id;
    }

    public UUID accountId() {
        return accountId;
    }

    public UUID fileId() {
        return fileId;
    }

    public String relation() {
        return relation;
    }

    public Granted granted() {
        return new Granted(
                Set.copyOf(deeds),
                inSections.stream().collect(Collectors.toMap(InSection::section, s -> Set.copyOf(s.deeds()))),
                shownUntil);
    }

    public Instant grantedAt() {
        return grantedAt;
    }

    /** What holds in one section besides. */
    @Embeddable
    record InSection(
            String section,

            @Enumerated(EnumType.STRING) @JdbcTypeCode(SqlTypes.ARRAY)
            List<Deed> deeds) {}
}
