package app.denfold.server.chasing;

import java.util.List;
import java.util.UUID;

/** What later modules hear about chasing. */
public final class ChaseEvents {

    private ChaseEvents() {}

    /** Somebody was told at an address which slots want a paper. @param by name of who told him */
    public record Chased(String by, UUID fileId, String recipient, List<Wanted> wanted) {}

    /** Many were told in one go. */
    public record ChasedAll(List<Chased> each) {}

    public record Wanted(String checklist, String requirement) {}

    /** A mail that the mail server had taken could not be delivered after all. */
    public record MailCameBack(UUID noticeId, String address, String why) {}
}
