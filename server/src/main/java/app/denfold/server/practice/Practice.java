package app.denfold.server.practice;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.ZoneId;

/** The organisation that runs this installation; one row. */
@Entity
class Practice {

    @Id
    private short id = 1;

    private String name;
    private String zone;
    private String colour;

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
}
