package app.denfold.server.finding;

import static app.denfold.server.finding.FindCriteria.given;

import app.denfold.core.filing.DocumentState;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.people.SearchText;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Criteria as SQL over what is findable, put together from fixed parts. The viewer's rights are a part of every one, so
 * that neither rows nor counts nor suggestions tell of a paper that he may not see.
 */
@Component
class FindQuery {

    private final Catalog catalog;
    private final PracticeCalendar calendar;
    private final WordQueries words;

    FindQuery(Catalog catalog, PracticeCalendar calendar, WordQueries words) {
        this.catalog = catalog;
        this.calendar = calendar;
        this.words = words;
    }

    /**
     * @param criteria conditions on findable {@code f}, joined by {@code and}
     * @param leftOut words that were not asked for
     */
    record Made(String criteria, Map<String, Object> parameters, List<String> leftOut) {}

    /** @throws app.denfold.server.problems.Refusal when the criteria cannot be */
    Made of(Viewer viewer, FindCriteria asked) {
        asked.check();
        Builder builder = new Builder();
        builder.rights(viewer);
        builder.words(words.of(asked.wanted()));
        builder.names(asked);
        builder.lists(asked);
        builder.ranges(asked);
        builder.facts(viewer, asked.facts(), calendar.today());
        builder.fields(asked.fields());
        return new Made(String.join(" and ", builder.conditions), builder.parameters, builder.leftOut);
    }

    private final class Builder {
        private final List<String> conditions = new ArrayList<>();
        private final Map<String, Object> parameters = new HashMap<>();
        private List<String> leftOut = List.of();

        void rights(Viewer viewer) {
            conditions.add("true");
            if (!viewer.seesEverybody()) {
                conditions.add("(f.team in (:seenTeams) or f.file_id in (:seenPeople))");
                parameters.put("seenTeams", List.of(viewer.sight().teamNames()));
                parameters.put("seenPeople", List.of(viewer.sight().files()));
            }
            if (!viewer.hiddenTypes().isEmpty()) {
                conditions.add("not f.types && array[:hidden]::varchar[]");
                parameters.put("hidden", viewer.hiddenTypes());
            }
        }

        /** The driver knows no empty list; a blank is no code. */
        private List<String> codes(java.util.stream.Stream<KeptDocumentType> types) {
            List<String> codes = types.map(KeptDocumentType::code).collect(Collectors.toCollection(ArrayList::new));
            codes.add("");
            return codes;
        }

        void words(WordQueries.Expression expression) {
            leftOut = expression.leftOut();
            if (expression.query() == null) {
                return;
            }
            parameters.putAll(expression.parameters());
            if (expression.loose() == null) {
                conditions.add("f.words @@ " + expression.query());
                return;
            }
            // places are known of the first 16,000 words only; in longer papers phrases are looked for page by page
            String onPages = expression.phrases().stream()
                    .map(p -> "exists (select 1 from findable_page g where g.document_id = f.document_id"
                            + " and g.words @@ phraseto_tsquery('denfold_plain', :" + p + "))")
                    .collect(Collectors.joining(" and "));
            conditions.add("(f.words @@ " + expression.query() + " or (f.is_long and f.words @@ " + expression.loose()
                    + " and " + onPages + "))");
        }

        void names(FindCriteria asked) {
            if (given(asked.name())) {
                FindCriteria.requireShort("name", asked.name());
                List<String> beginnings = FindCriteria.beginnings(asked.name());
                for (String beginning : beginnings) {
                    String name = next("name", beginning + ":*");
                    conditions.add("f.name_words @@ to_tsquery('denfold_plain', :" + name + ")");
                }
            }
            if (given(asked.person())) {
                FindCriteria.requireShort("person", asked.person());
                for (String word :
                        Objects.requireNonNull(asked.person()).strip().split("\\s+")) {
                    String name = next("person", SearchText.containing(word));
                    conditions.add("f.person_text like :" + name + " escape '!'");
                }
            }
        }

        void lists(FindCriteria asked) {
            in("f.kind", "kinds", asked.kinds());
            in("f.team", "teams", asked.teams());
            in("f.source", "sources", asked.sources());
            in("f.filed_by", "filers", asked.filedBy());
            in("f.state", "states", names(asked.states()));
            if (given(asked.types())) {
                conditions.add("f.types && array[:types]::varchar[]");
                parameters.put("types", asked.types());
            }
            if (given(asked.sections())) {
                conditions.add("f.types && array[:ofSections]::varchar[]");
                parameters.put("ofSections", codes(catalog.types().stream().filter(t -> Objects.requireNonNull(
                                asked.sections())
                        .contains(t.section()))));
            }
            if (asked.reviewer() != null) {
                conditions.add(
                        "(f.reviewer = :reviewer or f.reviewer is null and f.types && array[:waitingWith]::varchar[])"
                                + " and f.state = :inReview");
                parameters.put("reviewer", asked.reviewer());
                parameters.put("inReview", DocumentState.IN_REVIEW.name());
                parameters.put(
                        "waitingWith",
                        codes(catalog.types().stream()
                                .filter(KeptDocumentType::needsReview)
                                .filter(t -> asked.reviewer().equals(t.reviewer()))));
            }
            if (Boolean.TRUE.equals(asked.unreadable())) {
                conditions.add("f.pages_without_text > 0");
            }
        }

        private static @Nullable List<String> names(@Nullable List<DocumentState> states) {
            return states == null ? null : states.stream().map(Enum::name).toList();
        }

        private void in(String what, String name, @Nullable List<String> values) {
            if (given(values)) {
                conditions.add(what + " in (:" + name + ")");
                parameters.put(name, values);
            }
        }

        void ranges(FindCriteria asked) {
            range("f.document_date", "dated", asked.datedFrom(), asked.datedTo());
            range("f.received_on", "received", asked.receivedFrom(), asked.receivedTo());
            range(
                    "f.stored_at",
                    "stored",
                    asked.storedFrom() == null
                            ? null
                            : calendar.startOf(asked.storedFrom()).atOffset(java.time.ZoneOffset.UTC),
                    asked.storedTo() == null
                            ? null
                            : calendar.startOf(asked.storedTo().plusDays(1))
                                    .minusMillis(1)
                                    .atOffset(java.time.ZoneOffset.UTC));
            range("f.pages", "pages", asked.leastPages(), asked.mostPages());
            range("f.size", "size", asked.leastSize(), asked.mostSize());
        }

        private void range(String what, String name, @Nullable Object least, @Nullable Object most) {
            if (least != null) {
                conditions.add(what + " >= :" + name + "Least");
                parameters.put(name + "Least", least);
            }
            if (most != null) {
                conditions.add(what + " <= :" + name + "Most");
                parameters.put(name + "Most", most);
            }
        }

        void facts(Viewer viewer, @Nullable List<FindCriteria.Named> facts, LocalDate today) {
            for (FindCriteria.Named fact : facts == null ? List.<FindCriteria.Named>of() : facts) {
                String name = next("fact", fact.name());
                String value = next("fact", contained(fact.value()));
                conditions.add("exists (select 1 from jsonb_to_recordset(f.facts)"
                        + " as a(name text, value text, \"from\" date, \"to\" date) where a.name = :" + name
                        + " and lower(a.value) like :" + value
                        + " escape '!' and coalesce(a.\"from\", :today) <= :today"
                        + " and coalesce(a.\"to\", :today) >= :today)");
                parameters.put("today", today);
                hideFact(viewer, fact.name());
            }
        }

        /** Nobody finds by a fact that he may not know: as if no person of such a kind had it. */
        private void hideFact(Viewer viewer, String name) {
            List<String> kinds = viewer.hiddenFacts().stream()
                    .filter(f -> f.endsWith("/" + name))
                    .map(f -> f.substring(0, f.indexOf('/')))
                    .toList();
            if (!kinds.isEmpty()) {
                conditions.add("f.kind not in (:" + next("kinds", kinds) + ")");
            }
        }

        void fields(@Nullable List<FindCriteria.Named> fields) {
            for (FindCriteria.Named field : fields == null ? List.<FindCriteria.Named>of() : fields) {
                String name = next("field", field.name());
                String value = next("field", contained(field.value()));
                conditions.add("lower(f.fields ->> :" + name + ") like :" + value + " escape '!'");
            }
        }

        private static String contained(String text) {
            String wanted = text == null ? "" : text.strip().toLowerCase(java.util.Locale.ROOT);
            return "%" + SearchText.literally(wanted) + "%";
        }

        private String next(String kind, Object value) {
            String name = kind + "_" + parameters.size();
            parameters.put(name, value);
            return name;
        }
    }
}
