package app.denfold.paper.worker;

/** A process ended in the middle of a task. */
final class WorkerEnded extends Exception {

    private static final long serialVersionUID = 1L;

    /** What is added to the number of the signal that ended a process. */
    private static final int BY_SIGNAL = 128;

    private static final int KILLED = BY_SIGNAL + 9;
    private static final int TERMINATED = BY_SIGNAL + 15;
    private static final int INTERRUPTED = BY_SIGNAL + 2;
    private static final int HUNG_UP = BY_SIGNAL + 1;

    /** What {@code -XX:+ExitOnOutOfMemoryError} ends with. */
    private static final int OUT_OF_MEMORY = 3;

    private final transient int status;

    WorkerEnded(int status) {
        super(status == OUT_OF_MEMORY ? "reading it needed more memory than a paper may take" : "reading it broke off");
        this.status = status;
    }

    /** It could not even be started, such as for want of memory. */
    static WorkerEnded notStarted() {
        return new WorkerEnded(KILLED);
    }

    /** Whether somebody else ended it; what it handled is not to blame then. */
    boolean isFromOutside() {
        return status == KILLED || status == TERMINATED || status == INTERRUPTED || status == HUNG_UP;
    }
}
