package app.denfold.server.finding;

import app.denfold.core.filing.DocumentState;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Papers that meet criteria, how many of them there are, and where they hold the wanted words. */
@Service
public class FindPapers {

    static final int MOST_ROWS = 200;
    private static final int DEEPEST = 50_000;

    private final FindQuery query;
    private final FoundPaperStore store;
    private final Catalog catalog;
    private final Kinds kinds;

    FindPapers(FindQuery query, FoundPaperStore store, Catalog catalog, Kinds kinds) {
        this.query = query;
        this.store = store;
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
        List<FoundPaper> papers = rows(made, sort, offset, limit + 1);
        boolean more = papers.size() > limit;
        return new FoundPage(more ? papers.subList(0, limit) : papers, more, made.leftOut());
    }

    private List<FoundPaper> rows(FindQuery.Made made, String sort, int offset, int limit) {
        Labels labels = new Labels();
        return store.rows(made, sort, offset, limit).stream()
                .map(row -> paper(row, labels))
                .toList();
    }

    private final class Labels {
        private final Catalog.Rules rules = catalog.rules();
        private final Map<String, String> sections =
                catalog.sections().stream().collect(Collectors.toMap(Section::code, Section::label));
    }

    private static FoundPaper paper(FoundPaperStore.Row row, Labels labels) {
        return new FoundPaper(
                row.id(),
                row.fileId(),
                row.person(),
                row.number(),
                labels.rules.kindLabels().getOrDefault(row.kind(), row.kind()),
                row.team(),
                labels.sections.getOrDefault(
                        labels.rules.type(row.types().get(0)).section(), ""),
                labels.rules.types(row.types()).labels(),
                row.name(),
                row.documentDate(),
                row.receivedOn(),
                row.storedAt(),
                row.state(),
                row.source(),
                row.filedBy(),
                row.pages(),
                row.size(),
                row.isRead(),
                row.pagesWithoutText(),
                row.isCut(),
                row.versions(),
                row.changes());
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
        return store.count(query.of(viewer, criteria));
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

    /** How many are found, and how many have each value. */
    @Transactional(readOnly = true)
    public FoundCounts counts(Viewer viewer, FindCriteria criteria) {
        FindQuery.Made made = query.of(viewer, criteria);
        Map<String, List<ValueCount>> byWhat = new HashMap<>();
        store.counts(made).forEach(c -> byWhat.computeIfAbsent(c.what(), w -> new ArrayList<>())
                .add(new ValueCount(c.value(), c.value(), c.papers())));
        Catalog.Rules rules = catalog.rules();
        Map<String, String> kindLabels =
                kinds.all().stream().collect(Collectors.toMap(PersonKind::code, PersonKind::plural));
        List<ValueCount> types = labelled(
                byWhat.getOrDefault("type", List.of()), t -> rules.type(t).label());
        return new FoundCounts(
                Objects.requireNonNull(byWhat.get("papers")).get(0).papers(),
                Objects.requireNonNull(byWhat.get("people")).get(0).papers(),
                labelled(byWhat.getOrDefault("kind", List.of()), k -> kindLabels.getOrDefault(k, k)),
                ofSections(types, rules),
                types,
                labelled(byWhat.getOrDefault("state", List.of()), s -> DocumentState.valueOf(s)
                        .words()),
                sortedByValue(byWhat.getOrDefault("year", List.of())),
                labelled(byWhat.getOrDefault("source", List.of()), s -> s),
                labelled(byWhat.getOrDefault("filedBy", List.of()), s -> s),
                labelled(byWhat.getOrDefault("team", List.of()), t -> t.isEmpty() ? "no team" : t));
    }

    private static List<ValueCount> labelled(
            Collection<ValueCount> counts, java.util.function.UnaryOperator<String> label) {
        return counts.stream()
                .map(c -> new ValueCount(c.value(), label.apply(c.value()), c.papers()))
                .sorted(java.util.Comparator.comparingLong(ValueCount::papers)
                        .reversed()
                        .thenComparing(ValueCount::label))
                .toList();
    }

    private static List<ValueCount> sortedByValue(Collection<ValueCount> counts) {
        return counts.stream()
                .sorted(java.util.Comparator.comparing(ValueCount::value).reversed())
                .toList();
    }

    /** A paper of two types of one section counts there twice, as it stands there twice. */
    private List<ValueCount> ofSections(List<ValueCount> types, Catalog.Rules rules) {
        Map<String, Long> bySection = types.stream()
                .collect(Collectors.groupingBy(
                        t -> rules.type(t.value()).section(), Collectors.summingLong(ValueCount::papers)));
        return catalog.sections().stream()
                .filter(s -> bySection.containsKey(s.code()))
                .map(s -> new ValueCount(s.code(), s.label(), bySection.getOrDefault(s.code(), 0L)))
                .toList();
    }
}
