package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.NoticeLetter.Written;
import app.denfold.core.notices.NoticePlanner;
import app.denfold.core.notices.Plan;
import app.denfold.core.notices.Watched;
import app.denfold.server.chasing.LastLook;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.chasing.history.TurnKey;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.practice.PracticeCalendar;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Just before a mail of the plans goes out, what was met since it was queued drops out of it. */
@Component
class LastLookAtTold implements LastLook {

    private static final Pattern LINK = Pattern.compile("/told/([A-Za-z0-9_-]{20,})");

    private final ToldRepository told;
    private final Plans plans;
    private final WatchedThings things;
    private final PrepareNotices prepare;
    private final PracticeCalendar calendar;

    LastLookAtTold(
            ToldRepository told, Plans plans, WatchedThings things, PrepareNotices prepare, PracticeCalendar calendar) {
        this.things = things;
        this.told = told;
        this.plans = plans;
        this.prepare = prepare;
        this.calendar = calendar;
    }

    @Override
    public Map<UUID, Optional<Instead>> before(Map<UUID, String> bodies) {
        Map<UUID, List<Told>> lines = bodies.isEmpty()
                ? Map.of()
                : told.findByNoticeIdIn(bodies.keySet()).stream()
                        .filter(t -> t.key().isPresent())
                        .collect(Collectors.groupingBy(Told::noticeId));
        if (lines.isEmpty()) {
            return Map.of();
        }
        List<Plan> known = plans.everyOne();
        List<Watched> watched = things.ofFiles(
                known,
                lines.values().stream().flatMap(List::stream).map(Told::fileId).collect(Collectors.toSet()));
        Map<Thing, Watched> byThing = new HashMap<>();
        watched.forEach(w -> byThing.put(new Thing(UUID.fromString(w.file()), w.thing()), w));
        Map<UUID, Optional<Instead>> changed = new HashMap<>();
        lines.forEach((notice, all) -> {
            List<Told> wanted =
                    all.stream().filter(line -> isWanted(known, byThing, line)).toList();
            if (wanted.size() < all.size()) {
                told.forget(all.stream()
                        .filter(line -> !wanted.contains(line))
                        .map(Told::id)
                        .toList());
                changed.put(notice, write(known, wanted, String.valueOf(bodies.get(notice))));
            }
        });
        return changed;
    }

    private record Thing(UUID file, Watched.Thing thing) {}

    private boolean isWanted(List<Plan> known, Map<Thing, Watched> byThing, Told line) {
        Watched watched = byThing.get(new Thing(line.fileId(), line.thing()));
        TurnKey key = line.key().orElseThrow();
        return watched != null
                && known.stream()
                        .filter(p -> p.id().equals(key.planId().toString()))
                        .anyMatch(p -> p.steps().stream()
                                .filter(s -> s.id().equals(key.step()))
                                .anyMatch(
                                        s -> NoticePlanner.stillHolds(p, s, key.turn(), watched.on(calendar.today()))));
    }

    /** What is left of a mail; empty when nothing is. */
    private Optional<Instead> write(List<Plan> known, List<Told> wanted, String before) {
        if (wanted.isEmpty()) {
            return Optional.empty();
        }
        PreparedNotices now =
                prepare.ofFiles(known, wanted.stream().map(Told::fileId).collect(Collectors.toSet()));
        return write(
                now,
                wanted.stream()
                        .flatMap(line -> now.telling(line.key().orElseThrow()).stream())
                        .toList(),
                before);
    }

    private Optional<Instead> write(PreparedNotices now, List<Telling> tellings, String before) {
        if (tellings.isEmpty()) {
            return Optional.empty();
        }
        Telling first = tellings.get(0);
        Written written = now.letter(calendar.today())
                .write(new Mail(
                        String.valueOf(first.recipient().mailbox()),
                        tellings.stream().map(Telling::recipient).distinct().toList(),
                        tellings,
                        List.of()));
        Matcher link = LINK.matcher(before);
        return Optional.of(
                new Instead(written.subject(), prepare.linked(written.text(), link.find() ? link.group(1) : "")));
    }
}
