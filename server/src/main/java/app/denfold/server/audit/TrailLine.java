package app.denfold.server.audit;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.UUID;

/** A row of the trail as people read it. */
public record TrailLine(
        long seq,
        Instant at,
        String who,
        String action,
        @Nullable UUID documentId,
        String sentence) {

    static TrailLine of(AuditEvent event) {
        return new TrailLine(
                event.seq(), event.at(), event.actorName(), event.action(), event.documentId(), event.sentence());
    }
}
