package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.merging.FollowsMerge;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Whatever lies in a file goes along when files are merged: no table that names a file is forgotten. */
@ServerTest
class EverythingFollowsMergeTest {

    /** Who the person is, what is computed anew, and what is told of the merging itself. */
    private static final Set<String> OTHERWISE = Set.of(
            "active_span.file_id",
            "fact.file_id",
            "confirmed_section.file_id",
            "file_standing.file_id",
            "findable.file_id",
            "not_same_person.one_id",
            "not_same_person.other_id",
            "person_file.merged_into",
            "person_merge.gone_id",
            "person_merge.kept_id");

    @Autowired
    JdbcClient sql;

    @Autowired
    List<FollowsMerge> followers;

    @Test
    void everyTableThatNamesAFileIsFollowed() {
        Set<String> named = new TreeSet<>(sql.sql("""
                        select c.conrelid::regclass::text || '.' || a.attname
                        from pg_constraint c
                        join pg_attribute a on a.attrelid = c.conrelid and a.attnum = any (c.conkey)
                        where c.contype = 'f' and c.confrelid = 'person_file'::regclass
                        """).query(String.class).list());
        followers.forEach(f -> {
            named.remove(f.name());
            named.removeIf(column -> column.startsWith(f.name() + "."));
        });
        assertThat(named).isEqualTo(new TreeSet<>(OTHERWISE));
    }
}
