package app.denfold.core.notices;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What was told before, and what people decided about what is to come. */
public final class NoticeHistory {

    private final Set<Turn> told;
    private final Map<String, Map<LocalDate, Integer>> mails;
    private final Map<Turn, Change> changes;
    private final Map<String, Stop> stops;
    private final Set<String> unreachable;
    private final Set<String> unsubscribed;

    /** Nothing was told, nothing decided. */
    public NoticeHistory() {
        this(new HashSet<>(), new HashMap<>(), new HashMap<>(), new HashMap<>(), new HashSet<>(), new HashSet<>());
    }

    private NoticeHistory(
            Set<Turn> told,
            Map<String, Map<LocalDate, Integer>> mails,
            Map<Turn, Change> changes,
            Map<String, Stop> stops,
            Set<String> unreachable,
            Set<String> unsubscribed) {
        this.told = told;
        this.mails = mails;
        this.changes = changes;
        this.stops = stops;
        this.unreachable = unreachable;
        this.unsubscribed = unsubscribed;
    }

    /** @param movedTo null while it is held */
    private record Change(@Nullable LocalDate movedTo) {}

    /** A file about which nobody is told. @param until last day; null for no end */
    private record Stop(@Nullable LocalDate until) {}

    /** One to which can be added without changing this one. */
    NoticeHistory copy() {
        Map<String, Map<LocalDate, Integer>> counts = new HashMap<>();
        mails.forEach((mailbox, days) -> counts.put(mailbox, new HashMap<>(days)));
        return new NoticeHistory(new HashSet<>(told), counts, changes, stops, unreachable, unsubscribed);
    }

    public void told(Turn turn) {
        told.add(turn);
    }

    public void mailed(String mailbox, LocalDate on) {
        mails.computeIfAbsent(mailbox, m -> new HashMap<>()).merge(on, 1, Integer::sum);
    }

    public void held(Turn turn) {
        changes.put(turn, new Change(null));
    }

    public void moved(Turn turn, LocalDate to) {
        changes.put(turn, new Change(to));
    }

    public void stopped(String file, @Nullable LocalDate until) {
        stops.put(file, new Stop(until));
    }

    /** Mails to it came back. */
    public void unreachable(String mailbox) {
        unreachable.add(mailbox);
    }

    /** Whoever reads it asked not to be told what is no duty. */
    public void unsubscribed(String mailbox) {
        unsubscribed.add(mailbox);
    }

    boolean isTold(Turn turn) {
        return told.contains(turn);
    }

    boolean isHeld(Turn turn) {
        Change change = changes.get(turn);
        return change != null && change.movedTo() == null;
    }

    Optional<LocalDate> movedTo(Turn turn) {
        return Optional.ofNullable(changes.get(turn)).map(Change::movedTo);
    }

    boolean isStopped(String file, LocalDate on) {
        Stop stop = stops.get(file);
        return stop != null && (stop.until() == null || !on.isAfter(stop.until()));
    }

    boolean isUnreachable(String mailbox) {
        return unreachable.contains(mailbox);
    }

    boolean isUnsubscribed(String mailbox) {
        return unsubscribed.contains(mailbox);
    }

    boolean isMailed(String mailbox, LocalDate on) {
        return mails.getOrDefault(mailbox, Map.of()).containsKey(on);
    }

    int mailedIn(String mailbox, YearMonth month) {
        return mails.getOrDefault(mailbox, Map.of()).entrySet().stream()
                .filter(e -> YearMonth.from(e.getKey()).equals(month))
                .mapToInt(Map.Entry::getValue)
                .sum();
    }
}
