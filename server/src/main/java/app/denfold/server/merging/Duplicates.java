package app.denfold.server.merging;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.people.LikePersons;
import app.denfold.server.access.Viewer;
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
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pairs of files that may be of one person. */
@Service
class Duplicates {

    private static final int MOST_PAIRS = 2_000;

    /** Pairs of one kind that share a birth date and much of a name, a whole name, an address or an identifier. */
    private static final List<String> SHARED = List.of(
            pairs("person_file", "a.birth_date = b.birth_date and similarity(a.search_text, b.search_text) > 0.4"),
            pairs("person_file", "a.family_name = b.family_name and a.given_name = b.given_name"),
            pairs("person_file", "lower(a.email) = lower(b.email)"),
            pairs(
                    "(select f.*, w from person_file f, unnest(string_to_array(f.search_text, ' ')) w"
                            + " where jsonb_array_length(f.identifiers) > 0 and w like '#%')",
                    "a.w = b.w"));

    private static String pairs(String from, String shared) {
        return "select distinct least(a.id, b.id) as one, greatest(a.id, b.id) as other from " + from + " a join "
                + from
                + " b on a.kind = b.kind and a.id <> b.id and " + shared
                + " where a.merged_into is null and b.merged_into is null and not exists (select 1 from not_same_person n"
                + " where n.one_id = least(a.id, b.id) and n.other_id = greatest(a.id, b.id))";
    }

    private final NamedParameterJdbcTemplate sql;
    private final PersonFiles files;
    private final PracticeCalendar calendar;

    Duplicates(NamedParameterJdbcTemplate sql, PersonFiles files, PracticeCalendar calendar) {
        this.sql = sql;
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

    private record Pair(UUID one, UUID other) {}

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
        Set<Pair> pairs = new LinkedHashSet<>();
        // said only where it is asked for, so that the database can begin with the one file
        String ofFile = fileId == null ? "" : " and a.id = :file";
        Map<String, Object> values = fileId == null ? Map.of() : Map.of("file", fileId);
        for (String shared : SHARED) {
            pairs.addAll(sql.query(
                    shared + ofFile + " limit " + MOST_PAIRS,
                    values,
                    (row, i) -> new Pair(row.getObject(1, UUID.class), row.getObject(2, UUID.class))));
        }
        Set<UUID> ids = new LinkedHashSet<>();
        pairs.forEach(p -> {
            ids.add(p.one);
            ids.add(p.other);
        });
        Map<UUID, PersonFile> people = new HashMap<>();
        Set<UUID> visible = files.visibleAmong(viewer, ids);
        files.files(visible).forEach(f -> people.put(f.id(), f));
        Map<String, KnownPerson> known = new HashMap<>();
        files.asKnown(people.values()).forEach(k -> known.put(k.id(), k));
        List<LikePair> like = new ArrayList<>();
        for (Pair pair : pairs) {
            if (people.containsKey(pair.one) && people.containsKey(pair.other)) {
                boolean turned = pair.other.equals(fileId);
                PersonFile one = people.get(turned ? pair.other : pair.one);
                PersonFile other = people.get(turned ? pair.one : pair.other);
                LikePersons.of(
                                known.get(one.id().toString()),
                                known.get(other.id().toString()))
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
        sql.update(
                "insert into not_same_person (one_id, other_id, by_name, at) values"
                        + " (least(:one, :other), greatest(:one, :other), :by, :at) on conflict do nothing",
                Map.of("one", one, "other", other, "by", viewer.name(), "at", java.sql.Timestamp.from(calendar.now())));
    }

    /** Takes that back. */
    @Transactional
    public void maybeSame(Viewer viewer, UUID one, UUID other) {
        requireBoth(viewer, one, other);
        sql.update(
                "delete from not_same_person where one_id = least(:one, :other) and other_id = greatest(:one, :other)",
                Map.of("one", one, "other", other));
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
