package app.denfold.server.chasing.planned;

import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.Outbox.NoticeAnswer;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What went out, by plans and by hand, and what came of it: one history. */
@Service
class WentOut {

    private static final int MOST = 200;

    private final Outbox outbox;
    private final ToldRepository told;
    private final PersonFiles files;

    WentOut(Outbox outbox, ToldRepository told, PersonFiles files) {
        this.outbox = outbox;
        this.told = told;
        this.files = files;
    }

    /** @param why it was told, in words */
    record ToldLine(UUID fileId, String person, String label, String why) {}

    record WentOutAnswer(NoticeAnswer notice, List<ToldLine> told) {}

    /** Those before a moment, newest first, at most 200. */
    @Transactional(readOnly = true)
    public List<WentOutAnswer> before(Viewer viewer, Instant moment) {
        List<NoticeAnswer> notices = outbox.chasing(viewer, moment, MOST);
        Map<UUID, List<Told>> lines = notices.isEmpty()
                ? Map.of()
                : told.findByNoticeIdIn(notices.stream().map(NoticeAnswer::id).toList()).stream()
                        .collect(Collectors.groupingBy(t -> Objects.requireNonNull(t.noticeId())));
        Map<UUID, PersonFile> people = new HashMap<>();
        files.files(lines.values().stream()
                        .flatMap(List::stream)
                        .map(Told::fileId)
                        .collect(Collectors.toSet()))
                .forEach(f -> people.put(f.id(), f));
        return notices.stream()
                .map(n -> new WentOutAnswer(
                        n,
                        lines.getOrDefault(n.id(), List.of()).stream()
                                .flatMap(t -> Stream.ofNullable(people.get(t.fileId()))
                                        .map(f -> new ToldLine(t.fileId(), f.name(), t.label(), t.why())))
                                .toList()))
                .toList();
    }
}
