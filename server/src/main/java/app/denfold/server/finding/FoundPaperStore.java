package app.denfold.server.finding;

import app.denfold.core.filing.DocumentState;
import app.denfold.server.finding.SuggestPapers.SuggestedPaper;
import app.denfold.server.problems.Refusal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Papers as {@link FindQuery} finds them. Criteria are put together from fixed parts, since each set of them needs a plan of its own; what a person typed is always a parameter. */
@Repository
class FoundPaperStore {

    private final JdbcClient sql;

    FoundPaperStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** A found paper with codes, not labels. */
    record Row(
            UUID id,
            UUID fileId,
            String person,
            String number,
            String kind,
            @Nullable String team,
            List<String> types,
            String name,
            LocalDate documentDate,
            LocalDate receivedOn,
            Instant storedAt,
            DocumentState state,
            String source,
            String filedBy,
            int pages,
            long size,
            boolean isRead,
            int pagesWithoutText,
            boolean isCut,
            int versions,
            int changes) {}

    private static final String ROWS = """
            select f.document_id, f.file_id, f.given_name || ' ' || f.family_name as person, f.number, f.kind, f.team,
              f.types, f.name, f.document_date, f.received_on, f.stored_at, f.source, f.filed_by, f.pages, f.size,
              f.is_read, f.pages_without_text, f.is_cut, f.state, f.versions, f.changes
            from findable f where {criteria}
            order by {order} offset :offset limit :limit
            """;

    /** By what rows can be sorted; each ends with what tells two papers apart. */
    private static final Map<String, String> ORDERS = Map.ofEntries(
            Map.entry("dated", "f.document_date %s, f.document_id %s"),
            Map.entry("received", "f.received_on %s, f.document_id %s"),
            Map.entry("stored", "f.stored_at %s, f.document_id %s"),
            Map.entry("name", "f.name %s, f.document_id %s"),
            Map.entry("person", "f.family_name %s, f.given_name %1$s, f.document_id %s"),
            Map.entry("type", "f.types[1] %s, f.document_id %s"),
            Map.entry("source", "f.source %s, f.document_id %s"),
            Map.entry("filedBy", "f.filed_by %s, f.document_id %s"),
            Map.entry("pages", "f.pages %s, f.document_id %s"),
            Map.entry("size", "f.size %s, f.document_id %s"));

    private static final String HOLDS = """
            select exists (select 1 from findable f where {criteria} and (:file::uuid is null or f.file_id = :file)
              and f.words @@ (plainto_tsquery('denfold_plain', :word) || plainto_tsquery('denfold_words', :word)))
            """;

    /** Whether a paper holds a word in any form. @param file in which it must lie; null for any */
    boolean holds(FindQuery.Made made, @Nullable UUID file, String word) {
        return sql.sql(HOLDS.replace("{criteria}", made.criteria()))
                .params(made.parameters())
                .param("file", file, Types.OTHER)
                .param("word", word)
                .query(Boolean.class)
                .single();
    }

    /** @throws Refusal when papers cannot be sorted so */
    List<Row> rows(FindQuery.Made made, String sort, int offset, int limit) {
        return sql.sql(ROWS.replace("{criteria}", made.criteria()).replace("{order}", order(sort)))
                .params(made.parameters())
                .param("offset", offset)
                .param("limit", limit)
                .query((row, i) -> row(row))
                .list();
    }

    private static String order(String sort) {
        boolean descends = sort.startsWith("-");
        String order = ORDERS.get(descends ? sort.substring(1) : sort);
        if (order == null) {
            throw Refusal.invalid("sort", "Papers cannot be sorted by “" + sort + "”.");
        }
        return order.replaceAll("%(1\\$)?s", descends ? "desc" : "asc");
    }

    private static Row row(ResultSet row) throws SQLException {
        return new Row(
                row.getObject("document_id", UUID.class),
                row.getObject("file_id", UUID.class),
                row.getString("person"),
                row.getString("number"),
                row.getString("kind"),
                row.getString("team"),
                List.of((String[]) row.getArray("types").getArray()),
                row.getString("name"),
                row.getObject("document_date", LocalDate.class),
                row.getObject("received_on", LocalDate.class),
                row.getTimestamp("stored_at").toInstant(),
                DocumentState.valueOf(row.getString("state")),
                row.getString("source"),
                row.getString("filed_by"),
                row.getInt("pages"),
                row.getLong("size"),
                row.getBoolean("is_read"),
                row.getInt("pages_without_text"),
                row.getBoolean("is_cut"),
                row.getInt("versions"),
                row.getInt("changes"));
    }

    long count(FindQuery.Made made) {
        return sql.sql("select count(*) from findable f where {criteria}".replace("{criteria}", made.criteria()))
                .params(made.parameters())
                .query(Long.class)
                .single();
    }

    private static final String COUNTS = """
            with found as materialized (select f.file_id, f.types, f.kind, coalesce(f.team, '') as team, f.source,
              f.filed_by, to_char(f.document_date, 'YYYY') as year, f.state
              from findable f where {criteria})
            select 'papers' as what, '' as value, count(*) as papers from found
            union all select 'people', '', count(distinct file_id) from found
            union all select 'kind', kind, count(*) from found group by kind
            union all select 'type', t, count(*) from found, unnest(types) t group by t
            union all select 'state', state, count(*) from found group by state
            union all select 'year', year, count(*) from found group by year
            union all select 'team', team, count(*) from found group by team
            union all (select 'source', source, count(*) as papers from found group by source order by 3 desc limit 30)
            union all (select 'filedBy', filed_by, count(*) as papers from found group by filed_by
              order by 3 desc limit 30)
            """;

    /** How many have which value. @param what such as {@code kind}; {@code papers} and {@code people} count all */
    record Counted(String what, String value, long papers) {}

    List<Counted> counts(FindQuery.Made made) {
        return sql.sql(COUNTS.replace("{criteria}", made.criteria()))
                .params(made.parameters())
                .query((row, i) -> new Counted(row.getString(1), row.getString(2), row.getLong(3)))
                .list();
    }

    private static final String NAMED = """
            select s.* from (
              select f.document_id, f.file_id, f.name, f.given_name || ' ' || f.family_name as person, f.document_date
              from findable f where {criteria}
                and f.state <> 'ENTERED_IN_ERROR' and f.name_words @@ to_tsquery('denfold_plain', :typed)
              limit :lookedAt) s
            order by s.document_date desc, s.document_id limit :most
            """;

    /** The newest whose name, type or person holds words that begin so. @param lookedAt of very many, so many are looked at */
    List<SuggestedPaper> named(FindQuery.Made made, List<String> beginnings, int lookedAt, int most) {
        return sql.sql(NAMED.replace("{criteria}", made.criteria()))
                .params(made.parameters())
                .param("typed", beginnings.stream().map(b -> b + ":*").collect(Collectors.joining(" & ")))
                .param("lookedAt", lookedAt)
                .param("most", most)
                .query((row, i) -> new SuggestedPaper(
                        row.getObject("document_id", UUID.class),
                        row.getObject("file_id", UUID.class),
                        row.getString("name"),
                        row.getString("person"),
                        row.getObject("document_date", LocalDate.class)))
                .list();
    }
}
