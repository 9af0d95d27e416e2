package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Import;
import org.springframework.http.HttpMethod;
import org.springframework.transaction.support.TransactionTemplate;

/** Files of one person found, put together with all that lies in them, and taken apart again. */
@ServerTest
@Import(MovableClock.class)
class MergeTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    MovableClock clock;

    @Autowired
    ApplicationEventPublisher events;

    @Autowired
    TransactionTemplate transactions;

    private UUID person(Api api, String given, String family, String born, String email, Map<String, String> facts)
            throws Exception {
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind",
                "employee",
                "givenName",
                given,
                "familyName",
                family,
                "team",
                "Stables",
                "activeFrom",
                TODAY.minusDays(100).toString(),
                "facts",
                facts));
        person.put("birthDate", born);
        person.put("email", email);
        return api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                .id("$.id");
    }

    private static Api.Answer merge(Api api, UUID kept, UUID gone, String... fromGone) throws Exception {
        Map<String, Object> body = new HashMap<>(
                Map.of("kept", kept, "gone", gone, "keptVersion", version(api, kept), "fromGone", List.of(fromGone)));
        body.put("goneVersion", version(api, gone));
        return api.post("/api/merges", body);
    }

    @Test
    void twoFilesJustMadeAreMergedByTheVersionsThatWereAnswered() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                "Justmade",
                "team",
                "Stables",
                "facts",
                Map.of());
        Api.Answer kept = api.post("/api/files", Map.of("person", person, "evenIfLike", true));
        Api.Answer gone = api.post("/api/files", Map.of("person", person, "evenIfLike", true));
        assertThat(version(api, gone.id("$.id"))).as("before").isEqualTo(gone.<Integer>at("$.version"));
        api.fileNewPaper(gone.id("$.id"), "letter", TODAY.minusDays(3));
        assertThat(version(api, gone.id("$.id"))).isEqualTo(gone.<Integer>at("$.version"));
        assertThat(version(api, kept.id("$.id"))).isEqualTo(kept.<Integer>at("$.version"));
        Map<String, Object> body = Map.of(
                "kept",
                kept.id("$.id"),
                "gone",
                gone.id("$.id"),
                "keptVersion",
                kept.at("$.version"),
                "goneVersion",
                gone.at("$.version"),
                "fromGone",
                List.of());
        Api.Answer merged = api.post("/api/merges", body);
        assertThat(merged.status()).as(merged.body()).isLessThan(300);
    }

    /** None of a file that is closed. */
    private static int version(Api api, UUID file) throws Exception {
        Api.Answer head = api.get("/api/files/{id}", file);
        return head.status() == 200 ? head.at("$.version") : 0;
    }

    @Test
    void likeFilesAreFoundWithReasonsAndNotAgainOnceToldApart() throws Exception {
        Api api = practice.administrator();
        UUID one = person(api, "Quillon", "Ashgrove", "1991-02-03", null, Map.of());
        UUID other = person(api, "Quillon", "Ashgrave", "1991-02-03", null, Map.of());
        person(api, "Bertram", "Ashgrove", "1991-02-03", null, Map.of());
        Api.Answer like = api.get("/api/files/{id}/duplicates", other);
        assertThat(like.<List<String>>at("$[*].other.id")).containsExactly(one.toString());
        assertThat(like.<List<String>>at("$[0].reasons"))
                .containsExactly("the same birth date", "names written a little otherwise");
        assertThat(api.get("/api/duplicates").<List<String>>at("$[*].other.id")).contains(other.toString());
        assertThat(practice.colleague("Therapy", true, true)
                        .get("/api/duplicates")
                        .<List<String>>at("$[*].one.id"))
                .doesNotContain(one.toString());
        api.send(HttpMethod.PUT, "/api/files/{id}/not-same/{other}", null, other, one);
        assertThat(api.get("/api/files/{id}/duplicates", one).<List<?>>at("$")).isEmpty();
        api.send(HttpMethod.DELETE, "/api/files/{id}/not-same/{other}", null, one, other);
        assertThat(api.get("/api/files/{id}/duplicates", one).<List<?>>at("$")).hasSize(1);
    }

    @Test
    void papersWaiversGuestsAndTrailGoAlongAndAllReturnsWhenTakenBack() throws Exception {
        Api api = practice.administrator();
        String address = TestPractice.newAddress();
        UUID kept = person(api, "Ysolde", "Marchbank", "1988-05-06", null, Map.of());
        UUID gone = person(api, "Isolde", "Marchbanks", "1988-05-06", address, Map.of());
        UUID handbook = api.fileNewPaper(gone, "handbook", TODAY.minusDays(3));
        UUID letter = api.fileNewPaper(gone, "letter", TODAY.minusDays(2));
        UUID old = api.fileNewPaper(gone, "note", TODAY.minusDays(9));
        api.post("/api/documents/discard", Map.of("documents", List.of(old)));
        api.fileNewPaper(kept, "letter", TODAY.minusDays(2));
        String goneNumber = api.get("/api/files/{id}", gone).at("$.number");

        Api.Answer preview = api.get("/api/merges/preview?kept={kept}&gone={gone}", kept, gone);
        assertThat(preview.<List<String>>at("$.gone.along")).containsExactly("3 papers");
        assertThat(preview.<List<String>>at("$.rows[?(@.name=='email')].gone")).containsExactly(address);
        assertThat(api.slot(kept, "handbook")).isNotEqualTo("on-file");

        UUID merge = merge(api, kept, gone, "familyName").id("$.id");
        Api.Answer now = api.get("/api/files/{id}", kept);
        assertThat(now.<String>at("$.name")).isEqualTo("Ysolde Marchbanks");
        assertThat(now.<String>at("$.email")).isEqualTo(address);
        assertThat(now.<List<String>>at("$.formerNames")).containsExactly("Marchbank");
        assertThat(now.<List<String>>at("$.identifiers")).containsExactly(goneNumber);
        assertThat(api.slot(kept, "handbook")).isEqualTo("on-file");
        assertThat(api.get("/api/documents/{id}", handbook).<String>at("$.name"))
                .contains("Marchbanks Y");
        assertThat(api.get("/api/files/{id}/wastebasket", kept).<List<String>>at("$[*].id"))
                .containsExactly(old.toString());
        Api.Answer closed = api.get("/api/files/{id}", gone);
        assertThat(closed.status()).isEqualTo(410);
        assertThat(closed.<String>at("$.fileId")).isEqualTo(kept.toString());
        assertThat(api.get("/api/files/found?text={t}", goneNumber).<String>at("$[0].id"))
                .isEqualTo(kept.toString());
        assertThat(api.get("/api/board?text=Isolde").body()).doesNotContain(gone.toString());
        List<String> trail = api.get("/api/files/{id}/trail", kept).at("$[*].sentence");
        assertThat(trail)
                .anyMatch(s -> s.startsWith("merged the file " + goneNumber) && s.endsWith("with 3 papers"))
                .anyMatch(s -> s.startsWith("made the file " + goneNumber));

        UUID since = api.fileNewPaper(kept, "note", TODAY.minusDays(1));
        assertThat(api.get("/api/files/{id}/merges", kept).<List<String>>at("$[*].id"))
                .containsExactly(merge.toString());
        assertThat(api.post("/api/merges/{id}/undo", null, merge).id("$.fileId"))
                .isEqualTo(gone);
        Api.Answer again = api.get("/api/files/{id}", kept);
        assertThat(again.<String>at("$.name")).isEqualTo("Ysolde Marchbank");
        assertThat(again.body()).doesNotContain(address);
        assertThat(again.<List<?>>at("$.identifiers")).isEmpty();
        assertThat(api.get("/api/documents/{id}", letter).<String>at("$.fileId"))
                .isEqualTo(gone.toString());
        assertThat(api.get("/api/documents/{id}", handbook).<String>at("$.name"))
                .contains("Marchbanks I");
        assertThat(api.get("/api/documents/{id}", since).<String>at("$.fileId")).isEqualTo(kept.toString());
        assertThat(api.slot(gone, "handbook")).isEqualTo("on-file");
        assertThat(api.slot(kept, "handbook")).isNotEqualTo("on-file");
        assertThat(api.get("/api/files/{id}/trail", gone).<List<String>>at("$[*].action"))
                .contains("merge-undone", "merged-away", "file-opened");
        assertThat(api.post("/api/merges/{id}/undo", null, merge).<String>at("$.code"))
                .isEqualTo("undone");
    }

    @Test
    void whatCannotBeMergedIsRefusedWithTheReason() throws Exception {
        Api api = practice.administrator();
        UUID kept = person(api, "Orla", "Tennick", "1979-01-02", null, Map.of());
        UUID gone = person(api, "Orla", "Tennick", "1979-01-02", null, Map.of());
        assertThat(merge(api, kept, kept).<String>at("$.problems[0].message")).contains("himself");
        UUID patient = api.newFile("patient", "Tennick", null, "Therapy");
        assertThat(merge(api, kept, patient).<String>at("$.problems[0].message"))
                .contains("different kinds");
        Api colleague = practice.colleague(null, true, true);
        assertThat(merge(colleague, kept, gone).status()).isEqualTo(403);
        Map<String, Object> stale =
                Map.of("kept", kept, "keptVersion", 99, "gone", gone, "goneVersion", 0, "fromGone", List.of());
        assertThat(api.post("/api/merges", stale).<String>at("$.code")).isEqualTo("changed-meanwhile");
        api.post("/api/files/{fileId}/sections/{section}/confirm", null, gone, "agreements");
        Api.Answer hindered = merge(api, kept, gone);
        assertThat(hindered.<String>at("$.code")).isEqualTo("hindered");
        assertThat(hindered.<String>at("$.detail")).contains("confirmed as complete; reopen it first");
        assertThat(api.get("/api/files/{id}", gone).status()).isEqualTo(200);
    }

    @Test
    void afterADayItStays() throws Exception {
        Api api = practice.administrator();
        UUID kept = person(api, "Late", "Undone", "1979-01-02", null, Map.of());
        UUID gone = person(api, "Late", "Undone", "1979-01-02", null, Map.of());
        UUID merge = merge(api, kept, gone).id("$.id");
        clock.pass(2);
        Api later = practice.administrator();
        assertThat(later.post("/api/merges/{id}/undo", null, merge).<String>at("$.code"))
                .isEqualTo("too-late");
        assertThat(later.get("/api/files/{id}/merges", kept).<List<?>>at("$")).isEmpty();
    }

    @Test
    void aPaperFiledIntoAFileThatIsJustBeingMergedIsRefused() throws Exception {
        Api api = practice.administrator();
        UUID kept = person(api, "Race", "Winner", "1979-01-02", null, Map.of());
        UUID gone = person(api, "Race", "Loser", "1979-01-02", null, Map.of());
        UUID paper = api.fileNewPaper(gone, "letter", TODAY.minusDays(2));
        merge(api, kept, gone);
        // as if a filing had looked at the file before it was merged, and ended after
        assertThatThrownBy(() -> transactions.executeWithoutResult(
                        t -> events.publishEvent(new FileContentChanged(gone, paper))))
                .hasMessageContaining("was merged into another one meanwhile");
        assertThat(merge(api, gone, kept).status()).isEqualTo(410);
    }
}
