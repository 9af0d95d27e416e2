package app.denfold.server.settings;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.practice.DayOrder;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes the practice's own settings, and tells of it in the trail. */
@Service
class SetUpPractice {

    private final PracticeSettings settings;
    private final AuditTrail trail;

    SetUpPractice(PracticeSettings settings, AuditTrail trail) {
        this.settings = settings;
        this.trail = trail;
    }

    /**
     * How the practice counts and writes days from now on.
     *
     * @param zone by its IANA name
     * @param weekStart by ISO 8601: 1 for Monday, 7 for Sunday
     * @throws Refusal when there is no such zone or day
     */
    @Transactional
    void keepDays(Viewer viewer, String zone, DayOrder order, int weekStart) {
        viewer.requireAdministrator();
        if (!ZoneId.getAvailableZoneIds().contains(zone)) {
            throw Refusal.invalid("zone", "There is no time zone “" + zone + "”.");
        }
        if (weekStart < 1 || weekStart > 7) {
            throw Refusal.invalid("weekStart", "Weeks begin with a day from 1, Monday, to 7, Sunday.");
        }
        DayOfWeek first = DayOfWeek.of(weekStart);
        settings.keepDays(ZoneId.of(zone), order, first);
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "set the practice’s days: time zone " + zone + ", "
                        + (order == DayOrder.DAY_FIRST ? "day before month" : "month before day")
                        + ", weeks from " + first.getDisplayName(TextStyle.FULL, Locale.ENGLISH)));
    }
}
