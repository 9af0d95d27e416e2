package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.NoticeLetter.Written;
import app.denfold.core.notices.NoticePlanner;
import app.denfold.core.notices.Watched;
import app.denfold.server.chasing.LastLook;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.practice.PracticeCalendar;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
    private final PrepareNotices prepare;
    private final PracticeCalendar calendar;

    LastLookAtTold(ToldRepository told, Plans plans, PrepareNotices prepare, PracticeCalendar calendar) {
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
        Set<UUID> files =
                lines.values().stream().flatMap(List::stream).map(Told::fileId).collect(Collectors.toSet());
        PreparedNotices now = prepare.ofFiles(plans.everyOne(), files);
        Map<UUID, Optional<Instead>> changed = new HashMap<>();
        lines.forEach((notice, all) -> {
            Map<Told, Telling> wanted = new LinkedHashMap<>();
            all.forEach(line -> telling(now, line)
                    .filter(t -> NoticePlanner.stillHolds(t, calendar.today()))
                    .ifPresent(t -> wanted.put(line, t)));
            if (wanted.size() < all.size()) {
                told.forget(all.stream()
                        .filter(line -> !wanted.containsKey(line))
                        .map(Told::id)
                        .toList());
                changed.put(notice, write(now, List.copyOf(wanted.values()), String.valueOf(bodies.get(notice))));
            }
        });
        return changed;
    }

    /** What the line told, as things stand now; empty when the plan or the thing is no more. */
    private static Optional<Telling> telling(PreparedNotices now, Told line) {
        return watched(now.watched(), line)
                .flatMap(w -> ChangeAhead.telling(now, line.key().orElseThrow(), w));
    }

    private static Optional<Watched> watched(Collection<Watched> all, Told line) {
        String file = line.fileId().toString();
        return all.stream()
                .filter(w -> w.file().equals(file) && w.thing().equals(line.thing()))
                .findFirst();
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
