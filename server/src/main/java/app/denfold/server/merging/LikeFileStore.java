package app.denfold.server.merging;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Pairs of files that share something by which a person is known, found by the trigram and other indexes of the database,
 * which the criteria of Hibernate do not reach.
 */
@Repository
class LikeFileStore {

    private static final int MOST_PAIRS = 2_000;

    /** What two files of one kind share: a birth date and much of a name, a whole name, an address, an identifier. */
    private static final List<String> SHARED = List.of("""
            select a.id as a, b.id as b from person_file a join person_file b
            on a.kind = b.kind and a.id <> b.id and a.birth_date = b.birth_date
              and similarity(a.search_text, b.search_text) > 0.4
            """, """
            select a.id as a, b.id as b from person_file a join person_file b
            on a.kind = b.kind and a.id <> b.id and a.family_name = b.family_name and a.given_name = b.given_name
            """, """
            select a.id as a, b.id as b from person_file a join person_file b
            on a.kind = b.kind and a.id <> b.id and lower(a.email) = lower(b.email)
            """, """
            with identified as (
              select f.id, f.kind, w from person_file f, unnest(string_to_array(f.search_text, ' ')) w
              where jsonb_array_length(f.identifiers) > 0 and w like '#%')
            select a.id as a, b.id as b from identified a join identified b
            on a.kind = b.kind and a.id <> b.id and a.w = b.w
            """);

    private static final String AMONG_ALL = """
            select distinct least(s.a, s.b) as one, greatest(s.a, s.b) as other from ({shared}) s
            join person_file f on f.id = s.a and f.merged_into is null
            join person_file g on g.id = s.b and g.merged_into is null
            where not exists (select 1 from not_same_person n
              where n.one_id = least(s.a, s.b) and n.other_id = greatest(s.a, s.b))
            limit :most
            """;

    /** Asked apart, so that the database can begin with the one file. */
    private static final String WITH_ONE = AMONG_ALL.replace("limit :most", "and s.a = :file limit :most");

    record Pair(UUID one, UUID other) {}

    private final JdbcClient sql;

    LikeFileStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Of open files; those told apart by hand are left out. @param fileId null for all pairs */
    Set<Pair> pairs(@Nullable UUID fileId) {
        Set<Pair> pairs = new LinkedHashSet<>();
        for (String shared : SHARED) {
            String statement = (fileId == null ? AMONG_ALL : WITH_ONE).replace("{shared}", shared);
            JdbcClient.StatementSpec asked = sql.sql(statement).param("most", MOST_PAIRS);
            pairs.addAll((fileId == null ? asked : asked.param("file", fileId))
                    .query((row, i) -> new Pair(row.getObject(1, UUID.class), row.getObject(2, UUID.class)))
                    .list());
        }
        return pairs;
    }

    /** Two files are of two persons. */
    void add(UUID one, UUID other, String by, Instant at) {
        sql.sql("""
                insert into not_same_person (one_id, other_id, by_name, at)
                values (least(:one, :other), greatest(:one, :other), :by, :at) on conflict do nothing
                """)
                .param("one", one)
                .param("other", other)
                .param("by", by)
                .param("at", Timestamp.from(at))
                .update();
    }

    void remove(UUID one, UUID other) {
        sql.sql("""
                delete from not_same_person
                where one_id = least(:one, :other) and other_id = greatest(:one, :other)
                """).param("one", one).param("other", other).update();
    }
}
