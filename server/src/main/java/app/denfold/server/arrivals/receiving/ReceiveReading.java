package app.denfold.server.arrivals.receiving;

import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.arrivals.desks.PickupDesk;
import app.denfold.server.arrivals.desks.PickupDesks;
import app.denfold.server.arrivals.proposing.ProposeForArrival;
import app.denfold.server.arrivals.splitting.EditPages;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.reading.PaperRead;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import java.util.ArrayList;
import java.util.List;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;

/** When a paper was read: sets its pages upright, splits it where a sign says so, and proposes. */
@Component
class ReceiveReading {

    private final ArrivalRepository arrivals;
    private final EditPages edit;
    private final ProposeForArrival proposals;
    private final PickupDesks desks;
    private final ApplicationEventPublisher events;
    private final Readings readings;
    private final Contents contents;
    private final AuditTrail trail;

    ReceiveReading(
            ArrivalRepository arrivals,
            EditPages edit,
            ProposeForArrival proposals,
            PickupDesks desks,
            ApplicationEventPublisher events,
            Readings readings,
            Contents contents,
            AuditTrail trail) {
        this.arrivals = arrivals;
        this.edit = edit;
        this.proposals = proposals;
        this.desks = desks;
        this.events = events;
        this.readings = readings;
        this.contents = contents;
        this.trail = trail;
    }

    @ApplicationModuleListener
    void on(PaperRead event) {
        for (Arrival arrival : arrivals.findBySha256AndState(event.sha256(), Arrival.State.WAITING)) {
            Readings.Progress reading =
                    readings.progress(List.of(event.sha256())).get(event.sha256());
            if (reading != null && reading.reason() != null && !arrival.hasChosenPages()) {
                setAside(arrival, reading.reason());
            } else {
                take(arrival);
            }
        }
    }

    /** It can be taken up again by hand: what could be read of it is kept. */
    private void setAside(Arrival arrival, String why) {
        String reason = "It could not be read to its end: " + why + ".";
        arrival.setAside(reason);
        trail.record(AuditEntry.ofFile(
                        Actor.system("Den Fold"),
                        "set-aside",
                        arrival.fileId(),
                        "set “" + arrival.fileName() + "” aside: " + reason)
                .aboutWaiting(arrival.seemingTypes()));
    }

    /** Safe to be done again: a paper whose pages somebody chose is left as it is. */
    void take(Arrival arrival) {
        if (!arrival.hasChosenPages()) {
            setUpright(arrival);
            edit.splitByRules(Actor.system("Den Fold"), arrival, desks.rulesFor(arrival));
            fileByCovers(arrival);
        }
        if (arrival.state() == Arrival.State.WAITING) {
            proposals.renew(arrival);
        }
    }

    private void fileByCovers(Arrival arrival) {
        boolean asked = arrival.source() == Arrival.Source.PICKUP
                && desks.desk(arrival.broughtBy())
                        .filter(PickupDesk::filesCovers)
                        .isPresent();
        if (asked && arrival.state() == Arrival.State.SPLIT) {
            Actor desk = Actor.system(arrival.broughtBy());
            arrivals.findBatch(arrival.id()).stream()
                    .filter(part -> part.state() == Arrival.State.WAITING)
                    .forEach(part -> events.publishEvent(new CoverFound(part.id(), desk.name())));
        }
    }

    private void setUpright(Arrival arrival) {
        List<PageRef> pages =
                new ArrayList<>(arrival.pages(contents.content(arrival.sha256()).pages()));
        boolean any = false;
        for (ReadPage read : readings.pages(arrival.sha256())) {
            if (read.turn() != 0 && read.page() <= pages.size()) {
                pages.set(read.page() - 1, pages.get(read.page() - 1).turnedBy(read.turn()));
                any = true;
            }
        }
        if (any) {
            arrival.holdPages(pages);
        }
    }
}
