package app.denfold.server.arrivals.filing;

import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.receiving.CoverFound;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/** Files papers behind cover sheets without being asked, where their desk does so. */
@Component
class FileByCovers {

    private final FileArrivals filing;

    FileByCovers(FileArrivals filing) {
        this.filing = filing;
    }

    /** Its copy is made before the transaction in which it is filed. */
    @Async
    @TransactionalEventListener(id = "file-by-covers")
    void on(CoverFound event) {
        filing.byItself(event.arrivalId(), Actor.system(event.desk()));
    }
}
