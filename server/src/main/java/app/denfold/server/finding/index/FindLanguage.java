package app.denfold.server.finding.index;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sets by which language forms of a word are taken for one; another language has all papers indexed anew. */
@Component
class FindLanguage {

    private static final String KINDS_OF_WORDS = "asciiword, asciihword, hword_asciipart, hword, hword_part, word";

    private final JdbcTemplate sql;
    private final FindIndex index;
    private final String language;

    FindLanguage(JdbcTemplate sql, FindIndex index, @Value("${denfold.finding.language:english}") String language) {
        this.sql = sql;
        this.index = index;
        this.language = language;
    }

    /** @throws IllegalStateException when the database knows no such language */
    @Transactional
    @EventListener
    void set(ApplicationReadyEvent ready) {
        String wanted = language + "_stem";
        boolean known = exists("select exists(select 1 from pg_ts_dict where dictname = ?)", wanted);
        if (!language.matches("[a-z]+") || !known) {
            throw new IllegalStateException(
                    "denfold.finding.language is “" + language + "”, which the database does not know.");
        }
        boolean set = exists("""
                select exists(select 1 from pg_ts_config_map m join pg_ts_dict d on d.oid = m.mapdict
                where m.mapcfg = 'denfold_words'::regconfig and d.dictname = ?)
                """, wanted);
        if (!set) {
            sql.execute("alter text search configuration denfold_words alter mapping for " + KINDS_OF_WORDS
                    + " with unaccent, " + wanted);
            index.queueAll();
        }
    }

    private boolean exists(String question, String parameter) {
        return Boolean.TRUE.equals(sql.queryForObject(question, Boolean.class, parameter));
    }
}
