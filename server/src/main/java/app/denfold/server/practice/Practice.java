package app.denfold.server.practice;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.DayOfWeek;
import java.time.ZoneId;

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

    @SuppressWarnings("NullAway.Init")
    protected Practice() {}

    Practice(String name, ZoneId zone, String colour) {
        this.name = name;
        this.zone = zone.getId();
        this.colour = colour;
    }

    String name() {
        return name;
    }

    ZoneId zone() {
        return ZoneId.of(zone);
    }

    String colour() {
        return colour;
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
