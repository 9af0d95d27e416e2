package app.denfold.server.merging;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Moves rows of any table that name the file they belong to. One statement serves all tables, and also rows that an
 * entity hides, such as papers in the wastebasket.
 */
@Repository
public class FileRowsStore {

    private final JdbcClient sql;

    FileRowsStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** What brings the rows of a module along. */
    public FollowsMerge follow(Rows rows) {
        return new RowsFollow(sql, rows);
    }

    /**
     * @param key column that tells the rows apart, of any type that casts to text
     * @param file column that names the file
     * @param one what a row is called; null when people need not be told
     * @param more conditions on a row {@code t} for it to be moved, beginning with {@code and}; may use {@code :kept}
     * @param isVersioned whether the rows count their changes, so that who changes one meanwhile is told
     */
    public record Rows(
            String table,
            String key,
            String file,
            @Nullable String one,
            @Nullable String many,
            String more,
            boolean isVersioned) {

        public static Rows of(String table, @Nullable String one, @Nullable String many) {
            return new Rows(table, "id", "file_id", one, many, "", false);
        }

        public Rows only(String condition) {
            return new Rows(table, key, file, one, many, condition, isVersioned);
        }

        public Rows versioned() {
            return new Rows(table, key, file, one, many, more, true);
        }
    }

    private record RowsFollow(JdbcClient sql, Rows rows) implements FollowsMerge {

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
            return sql.sql(statement("select count(*) from {table} t where t.{file} = :file"))
                    .param("file", file)
                    .query(Integer.class)
                    .single();
        }

        @Override
        public List<String> follow(UUID gone, UUID kept) {
            return sql.sql(statement("""
                    update {table} t set {counted} {file} = :kept
                    where t.{file} = :gone {more}
                    returning t.{key}::text
                    """))
                    .param("gone", gone)
                    .param("kept", kept)
                    .query(String.class)
                    .list();
        }

        @Override
        public void goBack(UUID gone, UUID kept, List<String> moved) {
            if (!moved.isEmpty()) {
                sql.sql(statement("""
                        update {table} t set {counted} {file} = :gone
                        where t.{file} = :kept and t.{key}::text in (:moved)
                        """))
                        .param("gone", gone)
                        .param("kept", kept)
                        .param("moved", moved)
                        .update();
            }
        }

        /** The same statement for each table. Its names are the program's own, never somebody's words. */
        private String statement(String pattern) {
            return pattern.replace("{table}", rows.table)
                    .replace("{counted}", rows.isVersioned ? "version = version + 1," : "")
                    .replace("{file}", rows.file)
                    .replace("{key}", rows.key)
                    .replace("{more}", rows.more);
        }
    }
}
