package app.denfold.server.merging;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.people.LikePersons;
import app.denfold.server.access.Viewer;
import app.denfold.server.merging.LikeFileStore.Pair;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pairs of files that may be of one person. */
@Service
class Duplicates {

    private final LikeFileStore store;
    private final PersonFiles files;
    private final PracticeCalendar calendar;

    Duplicates(LikeFileStore store, PersonFiles files, PracticeCalendar calendar) {
        this.store = store;
        this.files = files;
        this.calendar = calendar;
    }

    public record LikeFile(
            UUID id,
            String number,
            String name,
            String kind,
            @Nullable LocalDate birthDate,
            @Nullable String team) {

        static LikeFile of(PersonFile file) {
            return new LikeFile(file.id(), file.number(), file.name(), file.kind(), file.birthDate(), file.team());
        }
    }

    /** @param likelihood in hundredths @param reasons in words, the strongest first */
    public record LikePair(LikeFile one, LikeFile other, int likelihood, List<String> reasons) {}

    /** All pairs of files that the viewer may see, the likeliest first. */
    @Transactional(readOnly = true)
    public List<LikePair> all(Viewer viewer) {
        return pairs(viewer, null);
    }

    /** Who may be the person of a file, the likeliest first; the file itself is always the one. */
    @Transactional(readOnly = true)
    public List<LikePair> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return pairs(viewer, fileId);
    }

    private List<LikePair> pairs(Viewer viewer, @Nullable UUID fileId) {
        Set<Pair> pairs = store.pairs(fileId);
        Set<UUID> ids = new LinkedHashSet<>();
        pairs.forEach(p -> {
            ids.add(p.one());
            ids.add(p.other());
        });
        Map<UUID, PersonFile> people = new HashMap<>();
        Set<UUID> visible = files.visibleAmong(viewer, ids);
        files.files(visible).forEach(f -> people.put(f.id(), f));
        Map<String, KnownPerson> known = new HashMap<>();
        files.asKnown(people.values()).forEach(k -> known.put(k.id(), k));
        List<LikePair> like = new ArrayList<>();
        for (Pair pair : pairs) {
            if (people.containsKey(pair.one()) && people.containsKey(pair.other())) {
                boolean turned = pair.other().equals(fileId);
                PersonFile one = Objects.requireNonNull(people.get(turned ? pair.other() : pair.one()));
                PersonFile other = Objects.requireNonNull(people.get(turned ? pair.one() : pair.other()));
                LikePersons.of(
                                Objects.requireNonNull(known.get(one.id().toString())),
                                Objects.requireNonNull(known.get(other.id().toString())))
                        .ifPresent(l -> like.add(new LikePair(
                                LikeFile.of(one),
                                LikeFile.of(other),
                                (int) Math.floor(l.likelihood() * 100),
                                l.reasons())));
            }
        }
        like.sort(Comparator.comparing(LikePair::likelihood)
                .reversed()
                .thenComparing(p -> p.one().name())
                .thenComparing(p -> p.one().number()));
        return like;
    }

    /** Notes that two files are of two persons; they are not offered again. */
    @Transactional
    public void notSame(Viewer viewer, UUID one, UUID other) {
        requireBoth(viewer, one, other);
        store.add(one, other, viewer.name(), calendar.now());
    }

    /** Takes that back. */
    @Transactional
    public void maybeSame(Viewer viewer, UUID one, UUID other) {
        requireBoth(viewer, one, other);
        store.remove(one, other);
    }

    private void requireBoth(Viewer viewer, UUID one, UUID other) {
        viewer.requireChange();
        files.visible(viewer, one);
        files.visible(viewer, other);
        if (one.equals(other)) {
            throw Refusal.invalid("other", "This is one and the same file.");
        }
    }
}
