package app.denfold.server.merging;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** Rows of a table that name the file they belong to. */
public class RowsFollow implements FollowsMerge {

    private final NamedParameterJdbcTemplate sql;
    private final Rows rows;

    /**
     * @param key column that tells the rows apart, of any type that casts to text
     * @param file column that names the file
     * @param one what a row is called; null when people need not be told
     * @param more conditions on a row {@code t} for it to be moved, beginning with {@code and}; may use {@code :kept}
     * @param isVersioned whether the rows count their changes, so that who changes one meanwhile is told
     */
    public record Rows(
            String table, String key, String file, String one, String many, String more, boolean isVersioned) {

        public static Rows of(String table, String one, String many) {
            return new Rows(table, "id", "file_id", one, many, "", false);
        }

        public Rows only(String condition) {
            return new Rows(table, key, file, one, many, condition, isVersioned);
        }

        public Rows versioned() {
            return new Rows(table, key, file, one, many, more, true);
        }
    }

    public RowsFollow(NamedParameterJdbcTemplate sql, Rows rows) {
        this.sql = sql;
        this.rows = rows;
    }

    @Override
    public String name() {
        return rows.table + "." + rows.file;
    }

    @Override
    public String words(int count) {
        return rows.one == null ? "" : count + " " + (count == 1 ? rows.one : rows.many);
    }

    @Override
    public int count(UUID file) {
        Integer found = sql.queryForObject(
                "select count(*)::int from " + rows.table + " t where " + rows.file + " = :file",
                Map.of("file", file),
                Integer.class);
        return found == null ? 0 : found;
    }

    @Override
    public List<String> follow(UUID gone, UUID kept) {
        return sql.queryForList(
                update() + rows.file + " = :kept where t." + rows.file + " = :gone " + rows.more + " returning t."
                        + rows.key + "::text",
                Map.of("gone", gone, "kept", kept),
                String.class);
    }

    @Override
    public void goBack(UUID gone, UUID kept, List<String> moved) {
        if (!moved.isEmpty()) {
            sql.update(
                    update() + rows.file + " = :gone where t." + rows.file + " = :kept and t." + rows.key
                            + "::text in (:moved)",
                    Map.of("gone", gone, "kept", kept, "moved", moved));
        }
    }

    private String update() {
        return "update " + rows.table + " t set " + (rows.isVersioned ? "version = version + 1, " : "");
    }
}
