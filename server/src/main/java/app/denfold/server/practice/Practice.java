package app.denfold.server.practice;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.ZoneId;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** The organisation that runs this installation; one row. */
@Entity
class Practice {

    @Id
    private short id = 1;

    private String name;
    private String zone;
    private String colour;

    @Enumerated(EnumType.STRING)
    private DayOrder dayOrder = DayOrder.DAY_FIRST;

    private short weekStart = 1;
    private String address = "";

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> languages = List.of("en");

    private @Nullable String mailFrom;
    private @Nullable String replyTo;
    private byte @Nullable [] mark;
    private @Nullable String markSha256;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> secondFactorRoles = List.of();

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> ownFileDeeds = List.of("SEE", "ADD", "REMOVE", "SIGN");

    /** Whether colleagues show password or second factor again when they sign. */
    private boolean confirmSigning;

    @Enumerated(EnumType.STRING)
    private EvidenceAddresses evidenceAddresses = EvidenceAddresses.SHORT;

    private int sessionIdleMinutes = (int) SessionLimits.USUAL.idle().toMinutes();
    private int sessionMostHours = (int) SessionLimits.USUAL.most().toHours();

    @SuppressWarnings("NullAway.Init")
    protected Practice() {}

    Practice(String name, ZoneId zone, String colour) {
        this.name = name;
        this.zone = zone.getId();
        this.colour = colour;
    }

    PracticeLook look() {
        return new PracticeLook(name, address, colour, languages, mailFrom, replyTo);
    }

    void show(PracticeLook look) {
        this.name = look.name();
        this.address = look.address();
        this.colour = look.colour();
        this.languages = look.languages();
        this.mailFrom = look.mailFrom();
        this.replyTo = look.replyTo();
    }

    byte @Nullable [] mark() {
        return mark;
    }

    @Nullable
    String markSha256() {
        return markSha256;
    }

    void mark(byte @Nullable [] png, @Nullable String sha256) {
        this.mark = png;
        this.markSha256 = sha256;
    }

    List<String> secondFactorRoles() {
        return secondFactorRoles;
    }

    void demandSecondFactor(List<String> roles) {
        this.secondFactorRoles = List.copyOf(roles);
    }

    List<String> ownFileDeeds() {
        return ownFileDeeds;
    }

    void allowInOwnFile(List<String> deeds) {
        this.ownFileDeeds = List.copyOf(deeds);
    }

    boolean confirmSigning() {
        return confirmSigning;
    }

    EvidenceAddresses evidenceAddresses() {
        return evidenceAddresses;
    }

    void evidenceAddresses(EvidenceAddresses shown) {
        this.evidenceAddresses = shown;
    }

    void confirmSigning(boolean on) {
        this.confirmSigning = on;
    }

    SessionLimits sessionLimits() {
        return new SessionLimits(Duration.ofMinutes(sessionIdleMinutes), Duration.ofHours(sessionMostHours));
    }

    void limit(SessionLimits limits) {
        this.sessionIdleMinutes = (int) limits.idle().toMinutes();
        this.sessionMostHours = (int) limits.most().toHours();
    }

    ZoneId zone() {
        return ZoneId.of(zone);
    }

    DayOrder dayOrder() {
        return dayOrder;
    }

    DayOfWeek weekStart() {
        return DayOfWeek.of(weekStart);
    }

    void keepDays(ZoneId where, DayOrder order, DayOfWeek first) {
        this.zone = where.getId();
        this.dayOrder = order;
        this.weekStart = (short) first.getValue();
    }
}
