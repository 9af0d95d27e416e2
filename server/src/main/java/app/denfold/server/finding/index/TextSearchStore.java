package app.denfold.server.finding.index;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The text search of the database: which dictionary brings words of one meaning together. */
@Repository
class TextSearchStore {

    private final JdbcClient sql;

    TextSearchStore(JdbcClient sql) {
        this.sql = sql;
    }

    boolean knows(String dictionary) {
        return sql.sql("select exists (select 1 from pg_ts_dict where dictname = ?)")
                .param(dictionary)
                .query(Boolean.class)
                .single();
    }

    boolean uses(String dictionary) {
        return sql.sql("""
                        select exists (select 1 from pg_ts_config_map m join pg_ts_dict d on d.oid = m.mapdict
                        where m.mapcfg = 'denfold_words'::regconfig and d.dictname = ?)
                        """).param(dictionary).query(Boolean.class).single();
    }

    /** @param dictionary small letters only: a name cannot be a parameter */
    void use(String dictionary) {
        sql.sql("""
                alter text search configuration denfold_words
                alter mapping for asciiword, asciihword, hword_asciipart, hword, hword_part, word
                with unaccent, {dictionary}
                """.replace("{dictionary}", dictionary)).update();
    }
}
