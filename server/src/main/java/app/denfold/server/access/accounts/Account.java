package app.denfold.server.access.accounts;

import app.denfold.server.access.Actor;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;

/** Someone who can sign in. */
@Entity
@DynamicUpdate
class Account {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String email;
    private String name;

    @Enumerated(EnumType.STRING)
    private Role role;

    private @Nullable String passwordHash;
    private @Nullable String team;
    private @Nullable String title;
    private boolean seesSensitive;
    private boolean mayChange;
    private boolean closed;
    private boolean paused;
    private Instant createdAt;

    /** One may sign in at two places at once; that is no change two people fight over. */
    @OptimisticLock(excluded = true)
    private @Nullable Instant visitedAt;

    @OptimisticLock(excluded = true)
    private @Nullable Instant previousVisitAt;

    @SuppressWarnings("NullAway.Init")
    protected Account() {}

    Account(NewAccount from, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.email = normal(from.email());
        this.name = from.name();
        this.role = from.role();
        this.team = from.team();
        this.title = from.title();
        this.seesSensitive = from.seesSensitive();
        this.mayChange = from.mayChange();
        this.createdAt = now;
    }

    static String normal(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }

    UUID id() {
        return id;
    }

    String email() {
        return email;
    }

    String name() {
        return name;
    }

    /** What its holder is in the practice. */
    String titleWords() {
        return title != null ? title : role.name().toLowerCase(Locale.ROOT);
    }

    Role role() {
        return role;
    }

    @Nullable
    String passwordHash() {
        return passwordHash;
    }

    /** Whether its holder can sign in. */
    boolean isOpen() {
        return !closed && !paused;
    }

    int version() {
        return version == null ? 0 : version;
    }

    /** What an administrator sees of it. */
    StaffAccount staff() {
        return new StaffAccount(
                id,
                version(),
                email,
                name,
                role,
                team,
                title,
                seesSensitive,
                mayChange,
                closed
                        ? StaffAccount.State.ENDED
                        : paused
                                ? StaffAccount.State.PAUSED
                                : passwordHash == null ? StaffAccount.State.INVITED : StaffAccount.State.ACTIVE,
                visitedAt);
    }

    void change(NewAccount to) {
        this.name = to.name();
        this.role = to.role();
        this.team = to.team();
        this.title = to.title();
        this.seesSensitive = to.seesSensitive();
        this.mayChange = to.mayChange();
    }

    void pause(boolean isPaused) {
        this.paused = isPaused;
    }

    @Nullable
    Instant previousVisitAt() {
        return previousVisitAt;
    }

    void close() {
        this.closed = true;
    }

    void openAgain() {
        this.closed = false;
    }

    void setPasswordHash(String hash) {
        this.passwordHash = hash;
    }

    void visited(Instant now) {
        this.previousVisitAt = visitedAt;
        this.visitedAt = now;
    }

    Actor actor() {
        return new Actor(id, name);
    }

    /** @param types and facts that are for those only who may see sensitive papers */
    Viewer viewer(Set<String> types, Set<String> facts) {
        return new Viewer(
                id,
                name,
                email,
                role,
                team,
                seesSensitive,
                mayChange,
                seesSensitive ? Set.of() : types,
                seesSensitive ? Set.of() : facts);
    }

    boolean seesSensitive() {
        return seesSensitive;
    }
}
