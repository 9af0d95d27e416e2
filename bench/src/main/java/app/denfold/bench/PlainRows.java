package app.denfold.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.ToIntFunction;

/** The rows that the product wrote, written once more by plain JDBC into tables like theirs, with their indexes. */
final class PlainRows {

    private PlainRows() {}

    /**
     * @param each how many rows of a table belong to one piece of work
     * @param pieces of work
     * @param atOnce as many pieces in a transaction
     * @return seconds
     */
    static double write(List<String> tables, ToIntFunction<String> each, int pieces, int atOnce) throws Exception {
        try (Connection connection = DriverManager.getConnection(
                System.getenv("DENFOLD_DB_URL"),
                System.getenv("DENFOLD_DB_OWNER"),
                System.getenv("DENFOLD_DB_OWNER_PASSWORD"))) {
            for (String table : tables) {
                connection
                        .createStatement()
                        .execute("create table plain_" + table + " (like " + table + " including all)");
                connection
                        .createStatement()
                        .execute("create table kept_" + table + " as select row_number() over () as n, t.* from "
                                + table + " t");
                connection.createStatement().execute("create index on kept_" + table + " (n)");
            }
            long begun = System.nanoTime();
            connection.setAutoCommit(false);
            for (int i = 0; i < pieces; i++) {
                for (String table : tables) {
                    int rows = each.applyAsInt(table);
                    copy(connection, table, i * rows + 1L, (i + 1L) * rows);
                }
                if (i % atOnce == atOnce - 1 || i == pieces - 1) {
                    connection.commit();
                }
            }
            return (System.nanoTime() - begun) / 1e9;
        }
    }

    /**
     * Notes in each row of a table that was written, by itself, that its work is done, without waiting for the disk.
     *
     * @param set what is noted, as assignments
     * @return seconds
     */
    static double note(String table, String set) throws Exception {
        try (Connection connection = DriverManager.getConnection(
                System.getenv("DENFOLD_DB_URL"),
                System.getenv("DENFOLD_DB_OWNER"),
                System.getenv("DENFOLD_DB_OWNER_PASSWORD"))) {
            List<UUID> ids = new ArrayList<>();
            try (ResultSet rows = connection.createStatement().executeQuery("select id from plain_" + table)) {
                while (rows.next()) {
                    ids.add(rows.getObject(1, UUID.class));
                }
            }
            long begun = System.nanoTime();
            connection.createStatement().execute("set synchronous_commit = off");
            for (UUID id : ids) {
                try (PreparedStatement update =
                        connection.prepareStatement("update plain_" + table + " set " + set + " where id = ?")) {
                    update.setObject(1, id);
                    update.executeUpdate();
                }
            }
            return (System.nanoTime() - begun) / 1e9;
        }
    }

    private static void copy(Connection connection, String table, long from, long to) throws Exception {
        String columns = BenchServer.asOwnerColumns(table);
        for (long n = from; n <= to; n++) {
            try (PreparedStatement insert = connection.prepareStatement("insert into plain_" + table + " (" + columns
                    + ") select " + columns + " from kept_" + table + " where n = ?")) {
                insert.setLong(1, n);
                insert.executeUpdate();
            }
        }
    }
}
