package app.denfold.paper.worker;

import java.io.IOException;

/** A paper could not be handled within its bounds; the message says why, to be read after “because”. */
public final class WorkerFailed extends IOException {

    private static final long serialVersionUID = 1L;

    WorkerFailed(String why) {
        super(why);
    }
}
