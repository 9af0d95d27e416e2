package app.denfold.server.demo;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.visits.VisitsOfFile;
import java.time.LocalDate;
import org.springframework.stereotype.Component;

/** Every patient comes each second week since he came first; the last half year is noted, and the next visit. */
@Component
class DemoVisits {

    private static final int EVERY_DAYS = 14;
    private static final int NOTED = 12;

    private final VisitsOfFile visits;

    DemoVisits(VisitsOfFile visits) {
        this.visits = visits;
    }

    void note(Viewer by, PersonFile patient, LocalDate today) {
        LocalDate first = LocalDate.parse(patient.factsOn(today).get("firstSession"));
        String words = patient.factsOn(today).get("programme");
        LocalDate next = today.plusDays(1 + Math.floorMod(patient.number().hashCode(), EVERY_DAYS));
        LocalDate day = next;
        for (int i = 0; i <= NOTED && !day.isBefore(first); i++) {
            visits.note(by, patient.id(), day, words);
            day = day.minusDays(EVERY_DAYS);
        }
    }
}
