package app.denfold.server.people.candidates;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Persons found by the arrays and trigrams of their search text, which the criteria of Hibernate do not reach. */
@Repository
class CandidateStore {

    private final JdbcClient sql;

    CandidateStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** What a text holds. @param numbers in capitals @param words plain @param identifiers as search texts hold them @param names plain, perhaps misread */
    record Hints(String[] numbers, String[] words, String[] identifiers, String[] names) {}

    /** Best first: those that share most words with the text, then those with a name much like one in it. */
    List<UUID> among(Hints hints, int most) {
        return sql.sql("""
                        select id from (
                          select f.id, 0 as far, -100 as score from person_file f where upper(f.number) = any(:numbers::text[])
                          union all
                          select f.id, 1, -(select count(*) from unnest(string_to_array(f.search_text, ' ')) w
                                            where w = any(:words::text[]))
                          from person_file f where string_to_array(f.search_text, ' ') && :words::text[]
                          union all
                          select f.id, 0, -50 from person_file f
                          where string_to_array(f.search_text, ' ') && :identifiers::text[]
                          union all
                          select f.id, 2, 0 from unnest(:names::text[]) n join person_file f on n <% f.search_text
                        ) found where (select merged_into from person_file p where p.id = found.id) is null
                        group by id order by min(far), min(score), id limit :most
                        """)
                .param("numbers", hints.numbers)
                .param("words", hints.words)
                .param("identifiers", hints.identifiers)
                .param("names", hints.names)
                .param("most", most)
                .query(UUID.class)
                .list();
    }

    List<UUID> byAddress(String address) {
        return sql.sql("select id from person_file where lower(email) = lower(?) and merged_into is null limit 20")
                .param(address)
                .query(UUID.class)
                .list();
    }

    /** Words of names that come near a word with a typing error. */
    List<String> wordsLike(String word) {
        return sql.sql("""
                        select distinct w
                        from (select search_text from person_file where :word <% search_text limit 200) f,
                          unnest(string_to_array(f.search_text, ' ')) w
                        where w % :word
                        """).param("word", word).query(String.class).list();
    }
}
