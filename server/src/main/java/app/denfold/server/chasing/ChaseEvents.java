package app.denfold.server.chasing;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;

/** What later modules hear about chasing. */
public final class ChaseEvents {

    private ChaseEvents() {}

    /** Somebody was told at an address which slots want a paper. */
    public record Chased(Viewer by, UUID fileId, String recipient, List<Wanted> wanted) {}

    public record Wanted(String checklist, String requirement) {}
}
