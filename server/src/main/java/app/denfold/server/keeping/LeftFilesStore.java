package app.denfold.server.keeping;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Files of people who left, with what the rules of keeping ask of them: by SQL, as papers of all files are counted in one go. */
@Repository
class LeftFilesStore {

    private static final String LEFT = """
            select f.id, f.number, f.kind, f.given_name || ' ' || f.family_name as name, l.left_on,
              (select count(*) from document d where d.file_id = f.id) as papers,
              array(
                select distinct t from document d cross join unnest(array_append(d.further_types, d.type::varchar)) as t
                where d.file_id = f.id
              ) as types
            from person_file f
            join (
              select file_id, max(to_day) as left_on from active_span group by file_id having bool_and(to_day is not null)
            ) l on l.file_id = f.id
            where f.merged_into is null and l.left_on < :today
            """;

    private final JdbcClient sql;

    LeftFilesStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param leftOn the last day on which anything was asked of the person @param types of all its papers */
    record LeftFile(
            UUID id, String number, String kind, String name, LocalDate leftOn, int papers, List<String> types) {}

    /**
     * Those that their kind keeps no longer, first those whose people left first. Whether a paper keeps them is not asked.
     *
     * @param months for how long files of a kind are kept, by its code
     * @param today on which that is over
     */
    List<LeftFile> ofKinds(Map<String, Integer> months, LocalDate today) {
        // only files that kinds let go have their papers looked through
        return months.isEmpty()
                ? List.of()
                : sql.sql(LEFT + """
                        and exists (
                          select 1 from unnest(:kinds::text[], :months::int[]) as k(kind, months)
                          where k.kind = f.kind and l.left_on + make_interval(months => k.months) < :today
                        )
                        order by l.left_on, f.number
                        """)
                        .param("today", today)
                        .param("kinds", months.keySet().toArray(String[]::new))
                        .param("months", months.values().toArray(Integer[]::new))
                        .query((row, n) -> left(row))
                        .list();
    }

    /** @return empty when there is no such file, or its person has not left */
    Optional<LeftFile> file(UUID id, LocalDate today) {
        return sql.sql(LEFT + "and f.id = :id")
                .param("today", today)
                .param("id", id)
                .query((row, n) -> left(row))
                .optional();
    }

    private static LeftFile left(ResultSet row) throws SQLException {
        Array types = row.getArray("types");
        return new LeftFile(
                row.getObject("id", UUID.class),
                row.getString("number"),
                row.getString("kind"),
                row.getString("name"),
                row.getObject("left_on", LocalDate.class),
                row.getInt("papers"),
                List.of((String[]) types.getArray()));
    }
}
