package app.denfold.server.coverage.slots;

import app.denfold.core.notices.Stand;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import app.denfold.server.coverage.SlotKey;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How slots stand now and from which days on they stand otherwise, read from what is stored. */
@Service
public class SlotsAhead {

    private final SlotRepository slots;

    SlotsAhead(SlotRepository slots) {
        this.slots = slots;
    }

    /** One slot with how it stands, by day, at least once. */
    public record SlotAhead(SlotKey key, boolean blocking, List<Stand> stands) {}

    record Row(
            UUID fileId,
            String checklist,
            String requirement,
            boolean blocking,
            Status status,
            @Nullable LocalDate since,
            @Nullable LocalDate coveredThrough,
            @Nullable LocalDate due,
            Renewal renewal,
            @Nullable String course) {

        SlotAhead ahead() {
            List<Stand> stands = new ArrayList<>();
            stands.add(new Stand(since, status, coveredThrough, due, renewal));
            Step.Ahead.read(course)
                    .steps()
                    .forEach(s -> stands.add(new Stand(s.on(), s.status(), s.coveredThrough(), s.due(), s.renewal())));
            return new SlotAhead(new SlotKey(fileId, checklist, requirement), blocking, stands);
        }
    }

    /** Those that want something today, and those that will be due or lapse by a day, if nothing new comes in. */
    @Transactional(readOnly = true)
    public List<SlotAhead> wantingBy(LocalDate day) {
        return slots.findWantingBy(day).stream().map(Row::ahead).toList();
    }

    /** All of these files. */
    @Transactional(readOnly = true)
    public List<SlotAhead> ofFiles(Collection<UUID> files) {
        return files.isEmpty()
                ? List.of()
                : slots.findAhead(files).stream().map(Row::ahead).toList();
    }
}
