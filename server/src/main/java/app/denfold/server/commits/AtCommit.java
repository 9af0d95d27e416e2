package app.denfold.server.commits;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Work that a transaction puts off to its end. It is done in the order of {@link Step}, just before the commit, whatever
 * order it came in: first what follows from the changed state, at last the trail, whose lock all other writers wait for.
 * Work that a step puts off in its turn is done as well, the trail again after it. Jobs and events wait in tables of their
 * own, written with the state; they run after the commit.
 */
@Component
public class AtCommit {

    /** In the order in which they are done. */
    public enum Step {
        /** The slots of the files that changed. */
        SLOTS,
        /** How papers stand, and what their names say of it. */
        STANDING,
        /** What was done, as rows of the trail. */
        TRAIL
    }

    /**
     * Puts work off to the end of the running transaction.
     *
     * @param what one thing to be worked on
     * @param worker told of all its things at once, in the order they came in
     * @throws IllegalStateException outside of a transaction, or when the end of it is over
     */
    public <T> void add(Step step, T what, Consumer<Collection<T>> worker) {
        pending().add(step, what, worker);
    }

    private Pending pending() {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            throw new IllegalStateException("There is no transaction at whose end this could be done");
        }
        Pending pending = (Pending) TransactionSynchronizationManager.getResource(this);
        if (pending == null) {
            pending = new Pending();
            TransactionSynchronizationManager.bindResource(this, pending);
            TransactionSynchronizationManager.registerSynchronization(pending);
        }
        return pending;
    }

    private final class Pending implements TransactionSynchronization, Ordered {
        private final Map<Step, Map<Consumer<Collection<Object>>, List<Object>>> steps = new EnumMap<>(Step.class);
        private boolean begun;
        private boolean working;
        private boolean over;

        @SuppressWarnings("unchecked")
        <T> void add(Step step, T what, Consumer<Collection<T>> worker) {
            if (over) {
                throw new IllegalStateException("The transaction has ended; this comes too late: " + what);
            }
            steps.computeIfAbsent(step, s -> new LinkedHashMap<>())
                    .computeIfAbsent((Consumer<Collection<Object>>) (Consumer<?>) worker, w -> new ArrayList<>())
                    .add(what);
            // others that are done before the commit may come after this one
            if (begun && !working) {
                work();
            }
        }

        /** After all other work that is done before commits, so that whatever that adds is seen. */
        @Override
        public int getOrder() {
            return Ordered.LOWEST_PRECEDENCE;
        }

        @Override
        public void beforeCommit(boolean readOnly) {
            begun = true;
            work();
        }

        private void work() {
            working = true;
            for (Optional<Step> next = next(); next.isPresent(); next = next()) {
                Map<Consumer<Collection<Object>>, List<Object>> work = steps.remove(next.get());
                work.forEach((worker, things) -> worker.accept(new ArrayList<>(things)));
            }
            working = false;
        }

        private Optional<Step> next() {
            return List.of(Step.values()).stream().filter(steps::containsKey).findFirst();
        }

        @Override
        public void beforeCompletion() {
            over = true;
        }

        @Override
        public void suspend() {
            TransactionSynchronizationManager.unbindResource(AtCommit.this);
        }

        @Override
        public void resume() {
            TransactionSynchronizationManager.bindResource(AtCommit.this, this);
        }

        @Override
        public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResourceIfPossible(AtCommit.this);
        }
    }
}
