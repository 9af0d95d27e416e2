package app.denfold.server.catalog.sets;

import app.denfold.server.access.Viewer;
import tools.jackson.databind.JsonNode;

/** A part of what an administrator sets up, kept by a module of its own, as it goes out in JSON and comes in again. */
public interface SetUpPart {

    /** Under which it stands in the whole. */
    String name();

    JsonNode out();

    /**
     * Becomes as the part says, in the caller's transaction.
     *
     * @throws app.denfold.server.problems.Refusal when something in it cannot be
     * @throws IllegalArgumentException when it is no such part
     */
    void in(Viewer viewer, JsonNode part);
}
