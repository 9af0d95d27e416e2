package app.denfold.server.people;

import app.denfold.server.access.Actor;
import java.util.UUID;

/** What later modules hear about files. */
public final class PeopleEvents {

    private PeopleEvents() {}

    public record FileOpened(UUID fileId) {}

    public record PersonChanged(UUID fileId) {}

    /** A file is about to be destroyed for good; what is known of the person elsewhere goes in the same transaction. */
    public record FileDestroyed(UUID fileId) {}

    /** A kind was made or its facts changed. */
    public record KindsChanged(String label, Actor by) {}
}
