package app.denfold.paper.worker;

import java.io.IOException;

/**
 * The processes that handled a paper were ended from outside, each time it was tried: by a person, the service manager, or
 * the system for want of memory. The paper is not to blame; the same may work later.
 */
public final class WorkerLost extends IOException {

    private static final long serialVersionUID = 1L;

    WorkerLost() {
        super("the program that reads papers was ended from outside");
    }
}
