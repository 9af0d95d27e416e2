package app.denfold.server.commits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.commits.AtCommit.Step;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionSynchronizationUtils;

class AtCommitTest {

    private final AtCommit atCommit = new AtCommit();
    private final List<String> done = new ArrayList<>();
    private final Consumer<Collection<String>> slots = ids -> done.add("slots " + ids);
    private final Consumer<Collection<String>> trail = entries -> done.add("trail " + entries);

    @BeforeEach
    void begin() {
        TransactionSynchronizationManager.initSynchronization();
    }

    @AfterEach
    void end() {
        TransactionSynchronizationUtils.triggerAfterCompletion(TransactionSynchronization.STATUS_COMMITTED);
        TransactionSynchronizationManager.clearSynchronization();
    }

    private void commit() {
        TransactionSynchronizationUtils.triggerBeforeCommit(false);
        TransactionSynchronizationUtils.triggerBeforeCompletion();
    }

    @Test
    void theTrailComesLastWhateverCameFirst() {
        atCommit.add(Step.TRAIL, "filed", trail);
        atCommit.add(Step.SLOTS, "file", slots);
        atCommit.add(Step.TRAIL, "signed", trail);
        commit();
        assertThat(done).containsExactly("slots [file]", "trail [filed, signed]");
    }

    @Test
    void whatAStepAddsIsDoneAsWellAndTheTrailOfItAfterwards() {
        Consumer<Collection<String>> recomputing = ids -> {
            slots.accept(ids);
            atCommit.add(Step.TRAIL, "recomputed", trail);
        };
        Consumer<Collection<String>> writing = entries -> {
            trail.accept(entries);
            if (done.size() == 2) {
                atCommit.add(Step.SLOTS, "late", slots);
                atCommit.add(Step.TRAIL, "late", trail);
            }
        };
        atCommit.add(Step.TRAIL, "filed", writing);
        atCommit.add(Step.SLOTS, "file", recomputing);
        commit();
        assertThat(done)
                .containsExactly("slots [file]", "trail [filed]", "trail [recomputed]", "slots [late]", "trail [late]");
    }

    /** Another part of the program adds something while the transaction is about to be committed. */
    @Test
    void whatOthersAddJustBeforeTheCommitIsNotLost() {
        atCommit.add(Step.TRAIL, "filed", trail);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void beforeCommit(boolean readOnly) {
                atCommit.add(Step.TRAIL, "at the last moment", trail);
            }
        });
        commit();
        assertThat(done).containsExactly("trail [filed]", "trail [at the last moment]");
    }

    @Test
    void whatComesTooLateIsRefusedAndNotSwallowed() {
        atCommit.add(Step.TRAIL, "filed", trail);
        commit();
        assertThatThrownBy(() -> atCommit.add(Step.TRAIL, "too late", trail)).hasMessageContaining("too late");
        end();
        assertThatThrownBy(() -> atCommit.add(Step.TRAIL, "outside", trail)).hasMessageContaining("no transaction");
        TransactionSynchronizationManager.initSynchronization();
    }
}
