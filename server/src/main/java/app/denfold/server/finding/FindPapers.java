package app.denfold.server.finding;

import app.denfold.core.filing.DocumentState;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Papers that meet criteria, how many of them there are, and where they hold the wanted words. */
@Service
public class FindPapers {

    static final int MOST_ROWS = 200;
    private static final int DEEPEST = 50_000;

    private static final String COLUMNS = " f.document_id, f.file_id, p.given_name || ' ' || p.family_name as person,"
            + " p.number, p.kind, p.team, f.types, f.name, f.document_date, f.received_on, f.stored_at, f.source,"
            + " f.filed_by, f.pages, f.size, f.is_read, f.pages_without_text, f.is_cut,"
            + " (select count(*) from document_version v where v.document_id = f.document_id) as versions,"
            + " (select version from document d where d.id = f.document_id) as changes, f.state";

    /** By what rows can be sorted; each ends with what tells two papers apart. */
    private static final Map<String, String> ORDERS = Map.ofEntries(
            Map.entry("dated", "f.document_date %s, f.document_id %s"),
            Map.entry("received", "f.received_on %s, f.document_id %s"),
            Map.entry("stored", "f.stored_at %s, f.document_id %s"),
            Map.entry("name", "f.name %s, f.document_id %s"),
            Map.entry("person", "p.family_name %s, p.given_name %1$s, f.document_id %s"),
            Map.entry("type", "f.types[1] %s, f.document_id %s"),
            Map.entry("source", "f.source %s, f.document_id %s"),
            Map.entry("filedBy", "f.filed_by %s, f.document_id %s"),
            Map.entry("pages", "f.pages %s, f.document_id %s"),
            Map.entry("size", "f.size %s, f.document_id %s"));

    private final FindQuery query;
    private final NamedParameterJdbcTemplate sql;
    private final Catalog catalog;
    private final Kinds kinds;

    FindPapers(FindQuery query, NamedParameterJdbcTemplate sql, Catalog catalog, Kinds kinds) {
        this.query = query;
        this.sql = sql;
        this.catalog = catalog;
        this.kinds = kinds;
    }

    /** @param pagesWithoutText on which something stands that cannot be read @param isCut only its beginning is searched @param changes how often it was changed */
    public record FoundPaper(
            UUID id,
            UUID fileId,
            String person,
            String number,
            String kindLabel,
            @Nullable String team,
            String sectionLabel,
            List<String> typeLabels,
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

    /** @param more whether others follow @param leftOut words that stand in nearly every paper and were not asked for */
    public record FoundPage(List<FoundPaper> papers, boolean more, List<String> leftOut) {}

    /**
     * @param sort {@code dated}, {@code received}, {@code stored}, {@code name}, {@code person}, {@code type},
     *     {@code source}, {@code filedBy}, {@code pages} or {@code size}; descending when a minus sign stands before it
     * @throws Refusal when the criteria or the order cannot be
     */
    @Transactional(readOnly = true)
    public FoundPage page(Viewer viewer, FindCriteria criteria, String sort, int offset, int limit) {
        if (offset < 0 || offset > DEEPEST || limit < 1 || limit > MOST_ROWS) {
            throw Refusal.invalid(
                    "limit", "From 1 to " + MOST_ROWS + " papers are shown at once, up to the " + DEEPEST + "th.");
        }
        FindQuery.Made made = query.of(viewer, criteria);
        List<FoundPaper> papers = new ArrayList<>(rows(made, sort, offset, limit + 1));
        boolean more = papers.size() > limit;
        return new FoundPage(more ? papers.subList(0, limit) : papers, more, made.leftOut());
    }

    private List<FoundPaper> rows(FindQuery.Made made, String sort, int offset, int limit) {
        Labels labels = new Labels();
        Map<String, Object> parameters = new HashMap<>(made.parameters());
        parameters.put("offset", offset);
        parameters.put("limit", limit);
        return sql.query(
                "select" + COLUMNS + made.from() + made.where() + " order by " + order(sort)
                        + " offset :offset limit :limit",
                parameters,
                (row, i) -> paper(row, labels));
    }

    private static String order(String sort) {
        boolean falling = sort.startsWith("-");
        String order = ORDERS.get(falling ? sort.substring(1) : sort);
        if (order == null) {
            throw Refusal.invalid("sort", "Papers cannot be sorted by “" + sort + "”.");
        }
        return order.replaceAll("%(1\\$)?s", falling ? "desc" : "asc");
    }

    private final class Labels {
        private final Catalog.Rules rules = catalog.rules();
        private final Map<String, String> sections =
                catalog.sections().stream().collect(Collectors.toMap(Section::code, Section::label));
    }

    private static FoundPaper paper(ResultSet row, Labels labels) throws SQLException {
        List<String> types = List.of((String[]) row.getArray("types").getArray());
        return new FoundPaper(
                row.getObject("document_id", UUID.class),
                row.getObject("file_id", UUID.class),
                row.getString("person"),
                row.getString("number"),
                labels.rules.kindLabels().getOrDefault(row.getString("kind"), row.getString("kind")),
                row.getString("team"),
                labels.sections.getOrDefault(labels.rules.type(types.get(0)).section(), ""),
                labels.rules.types(types).labels(),
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

    /** All of them, in portions; for writing them out. */
    @Transactional(readOnly = true)
    public void each(Viewer viewer, FindCriteria criteria, String sort, Consumer<FoundPaper> told) {
        FindQuery.Made made = query.of(viewer, criteria);
        int offset = 0;
        List<FoundPaper> papers = rows(made, sort, 0, 1_000);
        while (!papers.isEmpty()) {
            papers.forEach(told);
            offset += papers.size();
            papers = papers.size() < 1_000 ? List.of() : rows(made, sort, offset, 1_000);
        }
    }

    /** How many there are, and nothing else. @throws Refusal when the criteria cannot be */
    @Transactional(readOnly = true)
    public long count(Viewer viewer, FindCriteria criteria) {
        FindQuery.Made made = query.of(viewer, criteria);
        Long count = sql.queryForObject("select count(*)" + made.from() + made.where(), made.parameters(), Long.class);
        return count == null ? 0 : count;
    }

    /** A value papers can have in common, and how many of the found ones have it. */
    public record ValueCount(String value, String label, long papers) {}

    public record FoundCounts(
            long papers,
            long people,
            List<ValueCount> kinds,
            List<ValueCount> sections,
            List<ValueCount> types,
            List<ValueCount> states,
            List<ValueCount> years,
            List<ValueCount> sources,
            List<ValueCount> filedBy,
            List<ValueCount> teams) {}

    private static final String COUNTS = """
            with found as materialized (select f.file_id, f.types, p.kind, coalesce(p.team, '') as team, f.source,
              f.filed_by, to_char(f.document_date, 'YYYY') as year, f.state %s %s)
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

    /** How many are found, and how many have each value. */
    @Transactional(readOnly = true)
    public FoundCounts counts(Viewer viewer, FindCriteria criteria) {
        FindQuery.Made made = query.of(viewer, criteria);
        Map<String, List<ValueCount>> byWhat = new HashMap<>();
        sql.query(COUNTS.formatted(made.from(), made.where()), made.parameters(), row -> {
            byWhat.computeIfAbsent(row.getString("what"), w -> new ArrayList<>())
                    .add(new ValueCount(row.getString("value"), row.getString("value"), row.getLong("papers")));
        });
        Catalog.Rules rules = catalog.rules();
        Map<String, String> kindLabels =
                kinds.all().stream().collect(Collectors.toMap(PersonKind::code, PersonKind::plural));
        List<ValueCount> types = labelled(byWhat.get("type"), t -> rules.type(t).label());
        return new FoundCounts(
                byWhat.get("papers").get(0).papers(),
                byWhat.get("people").get(0).papers(),
                labelled(byWhat.get("kind"), k -> kindLabels.getOrDefault(k, k)),
                ofSections(types, rules),
                types,
                labelled(byWhat.get("state"), s -> DocumentState.valueOf(s).words()),
                sortedByValue(byWhat.get("year")),
                labelled(byWhat.get("source"), s -> s),
                labelled(byWhat.get("filedBy"), s -> s),
                labelled(byWhat.get("team"), t -> t.isEmpty() ? "no team" : t));
    }

    private static List<ValueCount> labelled(
            Collection<ValueCount> counts, java.util.function.UnaryOperator<String> label) {
        return counts == null
                ? List.of()
                : counts.stream()
                        .map(c -> new ValueCount(c.value(), label.apply(c.value()), c.papers()))
                        .sorted(java.util.Comparator.comparingLong(ValueCount::papers)
                                .reversed()
                                .thenComparing(ValueCount::label))
                        .toList();
    }

    private static List<ValueCount> sortedByValue(Collection<ValueCount> counts) {
        return counts == null
                ? List.of()
                : counts.stream()
                        .sorted(java.util.Comparator.comparing(ValueCount::value)
                                .reversed())
                        .toList();
    }

    /** A paper of two types of one section counts there twice, as it stands there twice. */
    private List<ValueCount> ofSections(List<ValueCount> types, Catalog.Rules rules) {
        Map<String, Long> bySection = types.stream()
                .collect(Collectors.groupingBy(
                        t -> rules.type(t.value()).section(), Collectors.summingLong(ValueCount::papers)));
        return catalog.sections().stream()
                .filter(s -> bySection.containsKey(s.code()))
                .map(s -> new ValueCount(s.code(), s.label(), bySection.get(s.code())))
                .toList();
    }
}
