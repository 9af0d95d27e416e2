package app.denfold.server.problems;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import org.hibernate.TransactionException;
import org.springframework.transaction.CannotCreateTransactionException;

/** Tells failures of the database itself from those of what it was asked. */
public final class DatabaseAway {

    /**
     * Classes of SQLSTATE (ISO/IEC 9075 and PostgreSQL's appendix A): no connection, no resources, operator intervention
     * and system errors.
     */
    private static final Set<String> AWAY = Set.of("08", "53", "57", "58");

    /** The same, and what goes away by trying again: serialization, deadlock, a lock that was not to be had. */
    private static final Set<String> PASSING = Set.of("08", "53", "57", "58", "40", "55");

    private DatabaseAway() {}

    /** Whether the database could not be reached, or broke off. */
    public static boolean is(Throwable failure) {
        return anyCause(failure, AWAY);
    }

    /** Whether the same may work a moment later. */
    public static boolean isPassing(Throwable failure) {
        return anyCause(failure, PASSING);
    }

    private static boolean anyCause(Throwable failure, Set<String> classes) {
        int depth = 0;
        for (Throwable t = failure; t != null && depth < 20; t = t.getCause(), depth++) {
            if (t instanceof CannotCreateTransactionException || t instanceof SQLTransientConnectionException) {
                return true;
            }
            if (t instanceof TransactionException
                    && t.getCause() instanceof SQLException gone
                    && gone.getSQLState() == null) {
                // the pool has closed the broken connection, so that it cannot be rolled back any more either
                return true;
            }
            if (t instanceof SQLException sql
                    && sql.getSQLState() != null
                    && sql.getSQLState().length() >= 2
                    && classes.contains(sql.getSQLState().substring(0, 2))) {
                return true;
            }
        }
        return false;
    }
}
