package app.denfold.server.calendars;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.calendars.CalendarEntryStore.Entry;
import app.denfold.server.calendars.CalendarFeed.Reach;
import app.denfold.server.calendars.DatedSlots.Dated;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Gives out private addresses of calendars, and says what stands in them. */
@Service
class Calendars {

    private static final int MOST_FEEDS = 50;

    /** So long a cancelled event is still told, that each program learns of it. */
    private static final Duration CANCELLED_TOLD = Duration.ofDays(60);

    private final CalendarFeedRepository feeds;
    private final CalendarEntryStore entries;
    private final DatedSlots slots;
    private final Accounts accounts;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final String address;

    Calendars(
            CalendarFeedRepository feeds,
            CalendarEntryStore entries,
            DatedSlots slots,
            Accounts accounts,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.feeds = feeds;
        this.entries = entries;
        this.slots = slots;
        this.accounts = accounts;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
        this.address = address;
    }

    /** @param name whose papers it tells of @param readAt when a program last read it; null for never */
    record FeedAnswer(
            UUID id,
            Reach reach,
            String name,
            Instant at,
            @Nullable Instant readAt) {}

    /** @param address of which only the hash is kept, so that it is shown once */
    record MadeFeed(UUID id, String address) {}

    /** The viewer's own, the oldest first. */
    @Transactional(readOnly = true)
    public List<FeedAnswer> of(Viewer viewer) {
        return feeds.findByAccountIdAndEndedAtIsNullOrderByAt(viewer.accountId()).stream()
                .map(f -> new FeedAnswer(f.id(), f.reach(), name(f), f.at(), f.readAt()))
                .toList();
    }

    private String name(CalendarFeed feed) {
        UUID file = feed.fileId();
        return switch (feed.reach()) {
            case MINE -> "All my people";
            case TEAM -> String.valueOf(feed.team());
            case FILE ->
                file == null
                        ? ""
                        : files.files(List.of(file)).stream()
                                .findFirst()
                                .map(PersonFile::name)
                                .orElse("a file that was merged");
        };
    }

    /** @throws Refusal when the file may not be seen, the team is missing, or there are too many already */
    @Transactional
    public MadeFeed make(Viewer viewer, Reach reach, @Nullable UUID fileId, @Nullable String team) {
        if (feeds.countByAccountIdAndEndedAtIsNull(viewer.accountId()) >= MOST_FEEDS) {
            throw Refusal.conflict("too-many", "You have " + MOST_FEEDS + " calendar addresses. End one first.");
        }
        if (reach == Reach.FILE && fileId == null || reach == Reach.TEAM && (team == null || team.isBlank())) {
            throw Refusal.invalid("reach", "Say whose papers it is to tell of.");
        }
        if (fileId != null) {
            files.visible(viewer, fileId);
        }
        String secret = Secrets.fresh();
        CalendarFeed feed = feeds.save(new CalendarFeed(
                viewer.accountId(),
                reach,
                reach == Reach.FILE ? fileId : null,
                reach == Reach.TEAM ? team : null,
                Secrets.hash(secret),
                calendar.now()));
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "calendar-made", feed.fileId(), "made a calendar address for " + name(feed)));
        return new MadeFeed(feed.id(), address + "/api/calendar-feeds/" + secret + "/papers.ics");
    }

    /** Nobody reads it any more. @throws Refusal when it is not the viewer's */
    @Transactional
    public void end(Viewer viewer, UUID id) {
        CalendarFeed feed = feeds.findByAccountIdAndEndedAtIsNullOrderByAt(viewer.accountId()).stream()
                .filter(f -> f.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("calendar address"));
        feed.end(calendar.now());
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "calendar-ended", feed.fileId(), "ended the calendar address for " + name(feed)));
    }

    /**
     * One event.
     *
     * @param fileId of the person; null for one that is cancelled
     * @param summary null for one that is cancelled
     */
    record Event(
            Entry entry, @Nullable UUID fileId, @Nullable String summary) {}

    record Told(String name, List<Event> events) {}

    /** What stands at a private address now. @throws Refusal when it was ended, or its account closed */
    @Transactional
    public Told told(String secret) {
        CalendarFeed feed = feeds.findBySecretHashAndEndedAtIsNull(Secrets.hash(secret))
                .orElseThrow(() -> Refusal.notFound("calendar"));
        Viewer viewer = accounts.viewer(feed.accountId())
                .filter(v -> v.role().worksHere())
                .orElseThrow(() -> Refusal.notFound("calendar"));
        feed.read(calendar.now());
        UUID file = feed.fileId();
        if (feed.reach() != Reach.FILE || file == null) {
            return new Told(name(feed), events(feed, slots.ofPeople(viewer, feed.team())));
        }
        files.visible(viewer, file);
        return new Told(name(feed), events(feed, slots.ofFile(viewer, file)));
    }

    /** What stands in one file's, for the viewer to save once. @throws Refusal when the viewer may not see it */
    @Transactional(readOnly = true)
    public Told ofFile(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        Instant now = calendar.now();
        return new Told(
                file.name(),
                slots.ofFile(viewer, fileId).stream()
                        .map(d -> new Event(new Entry(d.uid(), d.day(), 0, false, now), d.fileId(), d.summary()))
                        .toList());
    }

    /** Notes what is new, moved and met since the calendar was last read. */
    private List<Event> events(CalendarFeed feed, List<Dated> now) {
        Instant moment = calendar.now();
        Map<String, Entry> gone = new HashMap<>();
        entries.of(feed.id()).forEach(e -> gone.put(e.uid(), e));
        List<Event> events = new ArrayList<>();
        for (Dated dated : now) {
            Entry entry = noted(feed, dated, gone.remove(dated.uid()), moment);
            events.add(new Event(entry, dated.fileId(), dated.summary()));
        }
        for (Entry before : gone.values()) {
            Entry cancelled = cancelled(feed, before, moment);
            if (cancelled.changedAt().isAfter(moment.minus(CANCELLED_TOLD))) {
                events.add(new Event(cancelled, null, null));
            }
        }
        return events;
    }

    private Entry noted(CalendarFeed feed, Dated dated, @Nullable Entry before, Instant now) {
        if (before != null && !before.cancelled() && before.day().equals(dated.day())) {
            return before;
        }
        Entry entry = new Entry(dated.uid(), dated.day(), before == null ? 0 : before.sequence() + 1, false, now);
        entries.write(feed.id(), entry);
        return entry;
    }

    private Entry cancelled(CalendarFeed feed, Entry before, Instant now) {
        if (before.cancelled()) {
            return before;
        }
        Entry entry = new Entry(before.uid(), before.day(), before.sequence() + 1, true, now);
        entries.write(feed.id(), entry);
        return entry;
    }
}
