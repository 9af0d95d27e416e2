package app.denfold.server.arrivals.proposing;

import app.denfold.core.filing.TypeWords;
import java.sql.Array;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/**
 * What this practice's filed papers teach of types: how many papers of each type hold each word. Each filing adds to it,
 * each one taken back is forgotten as if it had never been.
 */
@Repository
public class LearnedTypeStore {

    private final JdbcTemplate sql;

    LearnedTypeStore(JdbcTemplate sql) {
        this.sql = sql;
    }

    /** Nothing is learned from a paper without words. */
    public void learn(UUID documentId, String type, String text) {
        Set<String> words = TypeWords.of(text);
        if (words.isEmpty()) {
            return;
        }
        int added = sql.update(connection -> {
            var insert = connection.prepareStatement(
                    "insert into learned_paper (document_id, type, words) values (?, ?, ?) on conflict do nothing");
            Array array = connection.createArrayOf("text", words.toArray());
            insert.setObject(1, documentId);
            insert.setString(2, type);
            insert.setArray(3, array);
            return insert;
        });
        if (added > 0) {
            count(type, words, 1);
        }
    }

    public void forget(UUID documentId) {
        sql.query(
                        "delete from learned_paper where document_id = ? returning type, words",
                        (row, i) -> Map.entry(row.getString("type"), Set.of((String[])
                                row.getArray("words").getArray())),
                        documentId)
                .forEach(paper -> count(paper.getKey(), paper.getValue(), -1));
    }

    private void count(String type, Set<String> words, int change) {
        sql.update(
                "insert into learned_type as l (type, papers) values (?, ?)"
                        + " on conflict (type) do update set papers = l.papers + excluded.papers",
                type,
                change);
        sql.update(connection -> {
            // in one order, so that two filings at once cannot wait for each other
            var upsert = connection.prepareStatement("insert into learned_word as l (word, type, papers)"
                    + " select w, ?, ? from unnest(?) w order by w"
                    + " on conflict (word, type) do update set papers = l.papers + excluded.papers");
            upsert.setString(1, type);
            upsert.setInt(2, change);
            upsert.setArray(3, connection.createArrayOf("text", words.toArray()));
            return upsert;
        });
    }

    /** What was learned of the words of a text; all that a proposal for it needs. */
    TypeWords.Learned of(String text) {
        Map<String, Integer> papers = new HashMap<>();
        sql.query("select type, papers from learned_type where papers > 0", row -> {
            papers.put(row.getString("type"), row.getInt("papers"));
        });
        Map<String, Map<String, Integer>> counts = new HashMap<>();
        List<String> words = List.copyOf(TypeWords.of(text));
        sql.query(
                connection -> {
                    var select = connection.prepareStatement(
                            "select word, type, papers from learned_word where papers > 0 and word = any(?)");
                    select.setArray(1, connection.createArrayOf("text", words.toArray()));
                    return select;
                },
                row -> {
                    counts.computeIfAbsent(row.getString("word"), w -> new HashMap<>())
                            .put(row.getString("type"), row.getInt("papers"));
                });
        return new TypeWords.Learned(papers, counts);
    }
}
