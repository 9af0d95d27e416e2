package app.denfold.server.audit;

import jakarta.annotation.Nullable;
import java.util.Iterator;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Walks the whole chain and finds the first gap or edit. */
@Service
class AuditCheck {

    private final AuditEventRepository events;

    AuditCheck(AuditEventRepository events) {
        this.events = events;
    }

    /**
     * @param rows how many rows were looked at
     * @param brokenAt number of the first row that does not fit; null when all do
     */
    record ChainCheck(long rows, @Nullable Long brokenAt) {}

    @Transactional(readOnly = true)
    public ChainCheck run() {
        try (Stream<AuditEvent> all = events.streamAll()) {
            String hash = AuditEvent.BEGINNING;
            long rows = 0;
            for (Iterator<AuditEvent> i = all.iterator(); i.hasNext(); ) {
                AuditEvent event = i.next();
                rows++;
                if (event.seq() != rows
                        || !event.previousHash().equals(hash)
                        || !event.computeHash().equals(event.hash())) {
                    return new ChainCheck(rows, event.seq());
                }
                hash = event.hash();
            }
            return new ChainCheck(rows, null);
        }
    }
}
