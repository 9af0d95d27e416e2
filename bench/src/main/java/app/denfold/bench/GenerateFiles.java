package app.denfold.bench;

import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptChecklist;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Section;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Makes many files: two kinds, twelve document types, thirty requirements, twelve papers a file. Papers hold three years
 * and are spread over time so that on each day about one slot in five hundred changes.
 */
final class GenerateFiles {

    static final int REQUIREMENTS = 30;
    private static final int TYPES = 12;

    private final JdbcClient jdbc;
    private final Catalog catalog;
    private final Kinds kinds;

    GenerateFiles(JdbcClient jdbc, Catalog catalog, Kinds kinds) {
        this.jdbc = jdbc;
        this.catalog = catalog;
        this.kinds = kinds;
    }

    void make(int files, LocalDate today) {
        setUp();
        jdbc.sql("""
                insert into person_file (id, version, number, kind, given_name, family_name, birth_date, team,
                  search_text, created_at, last_activity_at)
                select gen_random_uuid(), 0, 'B-' || lpad(i::text, 7, '0'), case when i % 2 = 0 then 'employee' else 'client' end,
                  'Given' || (i::bigint * 7919 % 997), 'Family' || (i::bigint * 104729 % 9973), date '1960-01-01' + (i % 15000),
                  'Team ' || (i % 12), 'given' || (i::bigint * 7919 % 997) || ' family' || (i::bigint * 104729 % 9973), now(), now()
                from generate_series(1, :files) i
                """).param("files", files).update();
        jdbc.sql("insert into active_span select id, 0, date '2015-01-01', null from person_file")
                .update();
        jdbc.sql("select setseed(0.5)").query().listOfRows();
        jdbc.sql("""
                insert into document (id, version, file_id, type, name, document_date, received_on, source, filed_by, created_at)
                select gen_random_uuid(), 0, f.id, 't' || t, 'Paper ' || t, :today::date - (random() * 1105)::int,
                  :today::date - 1200, 'generated', 'generator', now()
                from person_file f cross join generate_series(1, :types) t where random() < 0.995
                """).param("today", today).param("types", TYPES).update();
        jdbc.sql("insert into file_standing (file_id, clear) select id, false from person_file")
                .update();
        for (String table : List.of("person_file", "active_span", "document", "file_standing")) {
            BenchServer.asOwner().sql("analyze " + table).update();
        }
    }

    private void setUp() {
        catalog.add(new Section("all", "All", 0));
        kinds.add(new PersonKind("employee", "Employee", "Employees", "E", 0, List.of()));
        kinds.add(new PersonKind("client", "Client", "Clients", "C", 1, List.of()));
        for (int t = 1; t <= TYPES; t++) {
            catalog.add(new KeptDocumentType(
                    "t" + t,
                    "Type " + t,
                    "all",
                    "{\"rule\":\"period\",\"period\":\"P3Y\"}",
                    List.of(),
                    false,
                    false,
                    List.of()));
        }
        catalog.add(new KeptChecklist("all", "All", 0, definition(10), labels()));
    }

    /** @param lead days of warning of the first twelve requirements */
    static String definition(int lead) {
        StringBuilder out = new StringBuilder("{\"code\":\"all\",\"requirements\":[");
        for (int r = 0; r < REQUIREMENTS; r++) {
            out.append(r == 0 ? "" : ",")
                    .append("{\"code\":\"r")
                    .append(r)
                    .append("\",\"evidence\":{\"type\":\"t")
                    .append(r % TYPES + 1)
                    .append("\"},\"graceDays\":3,\"leadDays\":")
                    .append(r < TYPES ? lead : 20 + r)
                    .append("}");
        }
        return out.append("]}").toString();
    }

    static Map<String, String> labels() {
        Map<String, String> labels = new HashMap<>();
        for (int r = 0; r < REQUIREMENTS; r++) {
            labels.put("r" + r, "Requirement " + r);
        }
        return labels;
    }
}
