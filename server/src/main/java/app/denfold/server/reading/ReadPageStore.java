package app.denfold.server.reading;

import app.denfold.paper.reading.PageFacts;
import java.sql.Array;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Pages as they were read. They are many and never changed, so they go by plain SQL. */
@Repository
class ReadPageStore {

    private static final String COLUMNS =
            "sha256, page, turn, text, text_from, codes, blank, perceptual_hash, form, boxes";

    private static final JsonMapper JSON = new JsonMapper();

    /** Letters of a page whose words are compared. */
    private static final int COMPARED = 2_000;

    private final JdbcTemplate sql;
    private final NamedParameterJdbcTemplate named;

    ReadPageStore(JdbcTemplate sql) {
        this.sql = sql;
        this.named = new NamedParameterJdbcTemplate(sql);
    }

    /** Leaves pages alone that are there. */
    void add(List<ReadPage> pages) {
        sql.batchUpdate(
                "insert into paper_page (" + COLUMNS
                        + ") values (?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb, ?) on conflict do nothing",
                pages,
                100,
                ReadPageStore::set);
    }

    private static void set(PreparedStatement row, ReadPage page) throws SQLException {
        Array codes = row.getConnection().createArrayOf("text", page.codes().toArray());
        row.setString(1, page.sha256());
        row.setInt(2, page.page());
        row.setInt(3, page.turn());
        row.setString(4, page.text().replace("\u0000", ""));
        row.setString(5, page.textFrom().name());
        row.setArray(6, codes);
        row.setBoolean(7, page.blank());
        row.setString(8, page.perceptualHash());
        row.setBytes(10, PackedBoxes.pack(page.boxes()));
        row.setString(9, page.form().isEmpty() ? null : JSON.writeValueAsString(page.form()));
    }

    /** In the order of their numbers. */
    List<ReadPage> of(String sha256) {
        return sql.query(
                "select " + COLUMNS + " from paper_page where sha256 = ? order by page", ReadPageStore::page, sha256);
    }

    List<ReadPage> of(Collection<String> hashes) {
        return hashes.isEmpty()
                ? List.of()
                : named.query(
                        "select " + COLUMNS + " from paper_page where sha256 in (:hashes) order by sha256, page",
                        Map.of("hashes", hashes),
                        (row, i) -> page(row, i));
    }

    /** Those whose words are most alike first: of a form that many people fill in, all look the same. */
    List<String> ofHashNear(String perceptualHash, String text, int count) {
        String begins = text.substring(0, Math.min(COMPARED, text.length()));
        return sql.queryForList(
                """
                select p.sha256 from paper_page p where p.page = 1 and p.perceptual_hash <> '' and length(p.perceptual_hash) = length(?)
                and bit_count(('x' || p.perceptual_hash)::bit(256) # ('x' || ?)::bit(256)) <= 40
                and (select count(*) from paper_page o where o.sha256 = p.sha256) = ?
                order by similarity(left(p.text, ?), ?) desc,
                  bit_count(('x' || p.perceptual_hash)::bit(256) # ('x' || ?)::bit(256)), p.sha256 limit 50
                """, String.class, perceptualHash, perceptualHash, count, COMPARED, begins, perceptualHash);
    }

    void remove(String sha256) {
        sql.update("delete from paper_page where sha256 = ?", sha256);
    }

    /** By page, by how many degrees clockwise recognition turned it to stand upright; those it did not turn are left out. */
    Map<Integer, Integer> turns(String sha256) {
        Map<Integer, Integer> turned = new HashMap<>();
        sql.query(
                "select page, turn from paper_page where sha256 = ? and turn <> 0",
                row -> {
                    turned.put(row.getInt(1), row.getInt(2));
                },
                sha256);
        return turned;
    }

    int count(String sha256) {
        Integer count = sql.queryForObject("select count(*) from paper_page where sha256 = ?", Integer.class, sha256);
        return count == null ? 0 : count;
    }

    private static ReadPage page(ResultSet row, int number) throws SQLException {
        return new ReadPage(
                row.getString("sha256"),
                row.getInt("page"),
                row.getInt("turn"),
                row.getString("text"),
                PackedBoxes.unpack(row.getBytes("boxes")),
                PageFacts.TextFrom.valueOf(row.getString("text_from")),
                Arrays.asList((String[]) row.getArray("codes").getArray()),
                row.getBoolean("blank"),
                row.getString("perceptual_hash"),
                form(row.getString("form")));
    }

    private static Map<String, String> form(String json) {
        return json == null ? Map.of() : JSON.readValue(json, new TypeReference<>() {});
    }
}
