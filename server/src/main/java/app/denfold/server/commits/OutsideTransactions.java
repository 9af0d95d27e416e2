package app.denfold.server.commits;

import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What is slow, or asks something outside of this program, is done before or after a transaction: within one it would hold
 * locks while it waits, and be done twice when the transaction is.
 */
public final class OutsideTransactions {

    private OutsideTransactions() {}

    /** @param what is about to be done, for whoever has to move it @throws IllegalStateException within a transaction */
    public static void require(String what) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("Within a transaction, this must not be done: " + what);
        }
    }
}
