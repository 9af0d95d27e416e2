package app.denfold.server.people;

import java.util.UUID;

/** What later modules hear about files. */
public final class PeopleEvents {

    private PeopleEvents() {}

    public record FileOpened(UUID fileId) {}

    public record PersonChanged(UUID fileId) {}
}
