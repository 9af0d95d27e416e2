package app.denfold.server.today;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.handover.HandOvers;
import app.denfold.server.signing.taking.MyTurns;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Of what waits, how much: for the numbers that stand beside the places. */
@Service
class WaitingCounts {

    private final WaitingArrivals arrivals;
    private final HandOvers handOvers;
    private final MyTurns turns;

    WaitingCounts(WaitingArrivals arrivals, HandOvers handOvers, MyTurns turns) {
        this.turns = turns;
        this.arrivals = arrivals;
        this.handOvers = handOvers;
    }

    /**
     * @param arrivals papers that wait to be filed
     * @param handedOver papers that lie with the viewer
     * @param signatures requests that wait for his signature or his look
     */
    record Counts(int arrivals, int handedOver, int signatures) {}

    @Transactional(readOnly = true)
    public Counts of(Viewer viewer) {
        return new Counts(arrivals.count(viewer), handOvers.lyingWith(viewer).size(), turns.count(viewer));
    }
}
