package app.denfold.server.finding.index;

import app.denfold.core.filing.DocumentState;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What papers can be found by, and the queue of those that are to be made findable. Vectors of words are built by the database. */
@Repository
class FindableStore {

    private final JdbcClient sql;

    FindableStore(JdbcClient sql) {
        this.sql = sql;
    }

    private static final String PUT = """
            insert into findable (document_id, file_id, types, name, document_date, received_on, stored_at, source,
              filed_by, media_type, pages, size, state, fields, sha256, is_read,
              pages_without_text, is_long, is_cut, words, name_words)
            select d.id, d.file_id, d.type || d.further_types, d.name, d.document_date, d.received_on, d.created_at,
              d.source, d.filed_by, c.media_type, c.pages, c.size, :state,
              d.fields, v.sha256, coalesce(r.state <> 'QUEUED', c.pages = 0),
              coalesce(t.without, 0), coalesce(t.letters, 0) > 80000, coalesce(t.letters, 0) > :most,
              to_tsvector('denfold_plain', w.text) || to_tsvector('denfold_words', w.text),
              to_tsvector('denfold_plain', n.text)
            from document d
            join person_file p on p.id = d.file_id
            join lateral (select sha256 from document_version where document_id = d.id order by place desc limit 1) v
              on true
            join content c on c.sha256 = v.sha256
            left join paper_reading r on r.sha256 = v.sha256
            left join lateral (
              select string_agg(text, E'\\n' order by page) as text, sum(length(text)) as letters,
                count(*) filter (where text_from = 'NONE' and not blank) as without
              from paper_page where sha256 = v.sha256) t on true
            cross join lateral (select concat_ws(E'\\n', d.name,
              (select string_agg(label, ' ') from document_type where code = any(d.type || d.further_types)),
              p.given_name || ' ' || p.family_name, p.number) as text) n
            cross join lateral (select concat_ws(E'\\n', n.text,
              (select string_agg(value, ' ') from jsonb_each_text(d.fields)), left(t.text, :most)) as text) w
            where d.id = :id and d.discarded_at is null
            on conflict (document_id) do update set file_id = excluded.file_id, types = excluded.types,
              name = excluded.name, document_date = excluded.document_date, received_on = excluded.received_on,
              source = excluded.source, media_type = excluded.media_type, pages = excluded.pages,
              size = excluded.size, state = excluded.state,
              fields = excluded.fields, sha256 = excluded.sha256,
              is_read = excluded.is_read, pages_without_text = excluded.pages_without_text,
              is_long = excluded.is_long, is_cut = excluded.is_cut, words = excluded.words,
              name_words = excluded.name_words
            returning sha256
            """;

    void queue(UUID documentId) {
        sql.sql("insert into find_queue (document_id) values (?)")
                .param(documentId)
                .update();
    }

    void queueFile(UUID fileId) {
        sql.sql("insert into find_queue (document_id) select id from document where file_id = ?")
                .param(fileId)
                .update();
    }

    void queueContent(String sha256) {
        sql.sql("""
                insert into find_queue (document_id)
                select distinct v.document_id from document_version v where v.sha256 = ?
                """).param(sha256).update();
    }

    void queueAll() {
        sql.sql("insert into find_queue (document_id) select id from document").update();
    }

    int waiting() {
        return sql.sql("select count(*) from find_queue").query(Integer.class).single();
    }

    /** An entry of the queue. */
    record Queued(long id, UUID documentId) {}

    /** The longest waiting first. */
    List<Queued> next(int most) {
        return sql.sql("select id, document_id from find_queue order by id limit ?")
                .param(most)
                .query((row, i) -> new Queued(row.getLong(1), row.getObject(2, UUID.class)))
                .list();
    }

    /** @param upTo what came into the queue later stays */
    void done(Collection<UUID> documents, long upTo) {
        sql.sql("delete from find_queue where document_id in (:documents) and id <= :upTo")
                .param("documents", documents)
                .param("upTo", upTo)
                .update();
    }

    /** @param most letters of its pages @return hash of its bytes; empty for a document in the wastebasket */
    List<String> put(UUID documentId, DocumentState state, int most) {
        return sql.sql(PUT)
                .param("id", documentId)
                .param("state", state.name())
                .param("most", most)
                .query(String.class)
                .list();
    }

    void remove(UUID documentId) {
        sql.sql("delete from findable where document_id = ?").param(documentId).update();
    }
}
