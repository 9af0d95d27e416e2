package app.denfold.server.chasing.plans;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** The one row that says on which days and at which hours notices of plans go out. */
@Entity
@Table(name = "sending_rules")
class KeptSendingRules {

    @Id
    private Boolean onlyOne;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String[] quietDays;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<SendingDetails.Holiday> holidays;

    private LocalTime opens;
    private LocalTime closes;
    private int mostMonthly;
    /** A run is no change of the rules: whoever is just changing them is not disturbed. */
    @OptimisticLock(excluded = true)
    private @Nullable LocalDate lastRunOn;

    @SuppressWarnings("NullAway.Init")
    protected KeptSendingRules() {}

    void change(SendingDetails to) {
        this.quietDays = to.quietDays().stream().map(Enum::name).toArray(String[]::new);
        this.holidays = List.copyOf(to.holidays());
        this.opens = to.opens();
        this.closes = to.closes();
        this.mostMonthly = to.mostAMonth();
    }

    SendingDetails details() {
        return new SendingDetails(
                Arrays.stream(quietDays).map(DayOfWeek::valueOf).toList(),
                List.copyOf(holidays),
                opens,
                closes,
                mostMonthly);
    }

    int changes() {
        return version == null ? 0 : version;
    }

    @Nullable
    LocalDate lastRunOn() {
        return lastRunOn;
    }

    void ranOn(LocalDate day) {
        this.lastRunOn = day;
    }
}
