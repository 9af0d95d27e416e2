package app.denfold.server.finding.index;

import app.denfold.core.filing.DocumentState;
import app.denfold.server.documents.Documents;
import app.denfold.server.problems.DatabaseAway;
import app.denfold.server.reading.Readings;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps what papers can be found by. Whatever changes a paper puts it into a queue, in the same transaction; a job takes it
 * from there. The words of a paper stand in the index twice: as they are written, for which the places of the first 16,000
 * are known, and then in any form.
 */
@Component
class FindIndex {

    private static final Logger LOG = LoggerFactory.getLogger(FindIndex.class);

    /** A text vector holds at most a megabyte; real texts of this length stay below it. */
    private static final int MOST_LETTERS = 600_000;

    /** Even if every word were another, the vector of so many letters can be stored. */
    private static final int FEWER_LETTERS = 120_000;

    private static final String INDEX = """
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

    private final JdbcTemplate sql;
    private final NamedParameterJdbcTemplate named;
    private final Documents documents;
    private final Readings readings;
    private final TransactionTemplate transactions;

    FindIndex(JdbcTemplate sql, Documents documents, Readings readings, TransactionTemplate transactions) {
        this.sql = sql;
        this.named = new NamedParameterJdbcTemplate(sql);
        this.documents = documents;
        this.readings = readings;
        this.transactions = transactions;
    }

    @Transactional
    public void queue(UUID documentId) {
        sql.update("insert into find_queue (document_id) values (?)", documentId);
    }

    @Transactional
    public void queueFile(UUID fileId) {
        sql.update("insert into find_queue (document_id) select id from document where file_id = ?", fileId);
    }

    /** Those whose newest version has these bytes. */
    @Transactional
    public void queueContent(String sha256) {
        sql.update("""
                insert into find_queue (document_id)
                select distinct v.document_id from document_version v where v.sha256 = ?
                """, sha256);
    }

    /** After a change that may concern every paper. */
    @Transactional
    public void queueAll() {
        sql.update("insert into find_queue (document_id) select id from document");
    }

    /** How many entries wait. */
    int waiting() {
        Integer count = sql.queryForObject("select count(*) from find_queue", Integer.class);
        return count == null ? 0 : count;
    }

    /**
     * Indexes what waits, the longest waiting first. A paper that nobody read yet can be found by all but its pages; they
     * are read, and then it is indexed again.
     */
    void drain() {
        List<Map<String, Object>> batch = next();
        while (!batch.isEmpty()) {
            Map<UUID, Long> last = new HashMap<>();
            batch.forEach(row -> last.merge((UUID) row.get("document_id"), (Long) row.get("id"), Math::max));
            long upTo = last.values().stream().mapToLong(Long::longValue).max().orElseThrow();
            Set<UUID> over = last.keySet().stream().filter(this::index).collect(Collectors.toSet());
            if (over.isEmpty()) {
                return;
            }
            done(over, upTo);
            batch = next();
        }
    }

    private List<Map<String, Object>> next() {
        return sql.queryForList("select id, document_id from find_queue order by id limit 200");
    }

    private void done(Collection<UUID> documents, long upTo) {
        named.update(
                "delete from find_queue where document_id in (:documents) and id <= :upTo",
                Map.of("documents", documents, "upTo", upTo));
    }

    /**
     * One paper that cannot be indexed holds up no other.
     *
     * @return false when the database could not be asked, or somebody was in the way: it stays in the queue
     */
    private boolean index(UUID documentId) {
        try {
            index(documentId, MOST_LETTERS);
            return true;
        } catch (DataAccessException | TransactionException failed) {
            return !isLater(documentId, failed) && indexFewer(documentId);
        }
    }

    /** With fewer words, since it may have too many of them. */
    private boolean indexFewer(UUID documentId) {
        try {
            index(documentId, FEWER_LETTERS);
        } catch (DataAccessException | TransactionException failed) {
            if (isLater(documentId, failed)) {
                return false;
            }
            LOG.error("The document {} cannot be made findable", documentId, failed);
        }
        return true;
    }

    private static boolean isLater(UUID documentId, RuntimeException failed) {
        boolean passes = DatabaseAway.isPassing(failed);
        if (passes) {
            LOG.warn("The document {} is made findable later: {}", documentId, failed.getMessage());
        }
        return passes;
    }

    private void index(UUID documentId, int most) {
        transactions.executeWithoutResult(t -> {
            DocumentState state = documents.state(documentId).orElse(DocumentState.FILED);
            List<String> read = named.queryForList(
                    INDEX, Map.of("id", documentId, "most", most, "state", state.name()), String.class);
            read.forEach(readings::askLater);
            if (read.isEmpty()) {
                // it lies in the wastebasket
                sql.update("delete from findable where document_id = ?", documentId);
            }
        });
    }
}
