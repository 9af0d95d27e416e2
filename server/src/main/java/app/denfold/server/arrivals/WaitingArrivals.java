package app.denfold.server.arrivals;

import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/** Who may see and change which arrivals. */
@Component
public class WaitingArrivals {

    private final ArrivalRepository arrivals;

    WaitingArrivals(ArrivalRepository arrivals) {
        this.arrivals = arrivals;
    }

    /** Unfiled papers are for those who see every team; papers of a sensitive type for those who may see such. */
    public Predicate<Arrival> visibleTo(Viewer viewer) {
        if (!viewer.seesEverybody()) {
            return arrival -> false;
        }
        return arrival -> viewer.maySee(arrival.seemingTypes());
    }

    /** How many papers wait that the viewer may see. */
    public int count(Viewer viewer) {
        if (!viewer.seesEverybody()) {
            return 0;
        }
        return Math.toIntExact(
                viewer.hiddenTypes().isEmpty()
                        ? arrivals.countByState(Arrival.State.WAITING)
                        : arrivals.countWaitingExcept(viewer.hiddenTypes()));
    }

    /** @throws Refusal when there is none that the viewer may see */
    public Arrival visible(Viewer viewer, UUID id) {
        return arrivals.findById(id).filter(visibleTo(viewer)).orElseThrow(() -> Refusal.notFound("paper"));
    }

    /** @throws Refusal when it does not wait, or the viewer may not change it */
    public Arrival of(Viewer viewer, UUID id) {
        viewer.requireChange();
        Arrival arrival = visible(viewer, id);
        if (arrival.state() != Arrival.State.WAITING) {
            throw Refusal.conflict("not-waiting", why(arrival));
        }
        return arrival;
    }

    private static String why(Arrival arrival) {
        return switch (arrival.state()) {
            case FILED -> "This paper was filed meanwhile.";
            case SPLIT -> "This paper was split meanwhile; its parts wait in its place.";
            case JOINED -> "This paper was joined to another one meanwhile.";
            default -> "This paper is not waiting: " + arrival.reason();
        };
    }

    /** The same, and refused as well when somebody changed it since that version. */
    public Arrival ofVersion(Viewer viewer, UUID id, int version) {
        Arrival arrival = of(viewer, id);
        if (arrival.version() != version) {
            throw Refusal.conflict(
                    "changed-meanwhile", "Somebody else handled this paper meanwhile. Look at it again.");
        }
        return arrival;
    }
}
