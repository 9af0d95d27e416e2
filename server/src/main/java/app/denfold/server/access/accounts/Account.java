package app.denfold.server.access.accounts;

import app.denfold.core.people.Teams;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Role;
import app.denfold.server.access.Sight;
import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.type.SqlTypes;
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

    /** Null for programs alone. */
    private @Nullable String email;

    private String name;

    @Enumerated(EnumType.STRING)
    private Role role;

    private @Nullable String passwordHash;

    @Enumerated(EnumType.STRING)
    private Teams.Reach reach;

    private @Nullable String team;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> leads = List.of();

    private boolean seesSensitive;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> seesSections = List.of();

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> seesTypes = List.of();

    private boolean mayChange;

    @Enumerated(EnumType.STRING)
    private Marking marking = Marking.NOTHING;

    private @Nullable String title;
    private @Nullable String signsAs;
    private @Nullable String desk;
    private @Nullable UUID ownFile;
    private @Nullable UUID deputy;
    private @Nullable LocalDate deputyFrom;
    private @Nullable LocalDate deputyUntil;
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
        this.email = from.email() == null ? null : normal(from.email());
        this.createdAt = now;
        change(from);
    }

    static String normal(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }

    UUID id() {
        return id;
    }

    /** Blank for a program. */
    String email() {
        return email == null ? "" : email;
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
                email(),
                name,
                role,
                scope(),
                post(),
                closed
                        ? StaffAccount.State.ENDED
                        : paused
                                ? StaffAccount.State.PAUSED
                                : passwordHash == null ? StaffAccount.State.INVITED : StaffAccount.State.ACTIVE,
                visitedAt);
    }

    Scope scope() {
        return new Scope(
                reach,
                team,
                Set.copyOf(leads),
                seesSensitive,
                Set.copyOf(seesSections),
                Set.copyOf(seesTypes),
                mayChange,
                marking);
    }

    Post post() {
        return new Post(title, signsAs, desk, ownFile, deputy, deputyFrom, deputyUntil);
    }

    /** Everything but its address. */
    final void change(NewAccount to) {
        this.name = to.name();
        this.role = to.role();
        Scope scope = to.scope();
        this.reach = scope.reach();
        this.team = scope.team();
        this.leads = scope.leads().stream().sorted().toList();
        this.seesSensitive = scope.seesSensitive();
        this.seesSections = scope.seesSections().stream().sorted().toList();
        this.seesTypes = scope.seesTypes().stream().sorted().toList();
        this.mayChange = scope.mayChange();
        this.marking = scope.marking();
        Post post = to.post();
        this.title = post.title();
        this.signsAs = post.signsAs();
        this.desk = post.desk();
        this.ownFile = post.ownFile();
        this.deputy = post.deputy();
        this.deputyFrom = post.deputyFrom();
        this.deputyUntil = post.deputyUntil();
    }

    /** Who stands in for its holder on a day. */
    @Nullable
    UUID deputyOn(LocalDate day) {
        boolean holds =
                (deputyFrom == null || !day.isBefore(deputyFrom)) && (deputyUntil == null || !day.isAfter(deputyUntil));
        return holds ? deputy : null;
    }

    void pause(boolean isPaused) {
        this.paused = isPaused;
    }

    @Nullable
    Instant visitedAt() {
        return visitedAt;
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

    /** @param hiddenTypes and facts of which it may know nothing */
    Viewer viewer(Sight sight, Set<String> hiddenTypes, Set<String> hiddenFacts) {
        return new Viewer(id, name, email(), role, sight, seesSensitive, mayChange, marking, hiddenTypes, hiddenFacts);
    }

    boolean seesSensitive() {
        return seesSensitive;
    }
}
