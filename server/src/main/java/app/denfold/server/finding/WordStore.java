package app.denfold.server.finding;

import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the database understands words: its dictionaries decide which are common, and which are forms of one word. */
@Repository
class WordStore {

    private final JdbcClient sql;

    WordStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Words of papers that come near a plain one (pg_trgm similarity), the nearest first; nobody's rights are asked. */
    List<String> near(String word, int most) {
        return sql.sql("""
                        select word from find_word where word % :word order by word <-> :word, word limit :most
                        """)
                .param("word", word)
                .param("most", most)
                .query(String.class)
                .list();
    }

    /** Those that stand in nearly every paper, or hold no letter. */
    List<String> withoutMeaning(List<String> words) {
        return sql.sql("""
                        select w from unnest(:words::text[]) w where numnode(plainto_tsquery('denfold_words', w)) = 0
                        """)
                .param("words", words.toArray(String[]::new))
                .query(String.class)
                .list();
    }

    /** Written words that are forms of a word. */
    Set<String> formsOf(String word, Set<String> written) {
        return sql.sql("""
                        select w from unnest(:written::text[]) w, plainto_tsquery('denfold_words', :word) q
                        where to_tsvector('denfold_words', w) @@ q
                        """)
                .param("written", written.toArray(String[]::new))
                .param("word", word)
                .query(String.class)
                .set();
    }

    /** Written words that are the word, whatever its accents and capitals. */
    Set<String> same(String word, Set<String> written) {
        return sql.sql("""
                        select w from unnest(:written::text[]) w, plainto_tsquery('denfold_plain', :word) q
                        where to_tsvector('denfold_plain', w) @@ q
                        """)
                .param("written", written.toArray(String[]::new))
                .param("word", word)
                .query(String.class)
                .set();
    }
}
