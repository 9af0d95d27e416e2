package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is done with papers once they are filed: corrected, renewed, moved, thrown away, held, handed over, zipped. */
@ServerTest
class WorkOnPapersTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    private static Api.Answer correct(Api api, UUID document, int changes, Map<String, ?> details, String description)
            throws Exception {
        Map<String, Object> body = new HashMap<>(Map.of("changes", changes, "details", details));
        body.put("description", description);
        return api.send(HttpMethod.PUT, "/api/documents/{id}/details", body, document);
    }

    private static int changes(Api api, UUID document) throws Exception {
        return api.get("/api/documents/{id}", document).at("$.changes");
    }

    @Test
    void aCorrectionRenamesMovesTheSlotAndALateSaverIsTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Corrected", null);
        UUID document = api.fileNewPaper(file, "letter", TODAY.minusDays(5));
        int seen = changes(api, document);
        Map<String, Object> handbook = Api.details(file, "handbook", TODAY.minusDays(6));
        assertThat(correct(api, document, seen, handbook, " Signed for at the door. ")
                        .status())
                .isEqualTo(204);
        Api.Answer now = api.get("/api/documents/{id}", document);
        assertThat(now.<String>at("$.name")).isEqualTo("Handbook receipt, " + TODAY.minusDays(6) + ", Corrected T");
        assertThat(now.<String>at("$.description")).isEqualTo("Signed for at the door.");
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        Api.Answer late = correct(api, document, seen, Api.details(file, "note", TODAY), null);
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.<String>at("$.code")).isEqualTo("changed-meanwhile");
        UUID other = api.newEmployee("Other", null);
        assertThat(correct(api, document, changes(api, document), Api.details(other, "note", TODAY), null)
                        .<String>at("$.problems[0].message"))
                .contains("Move");
    }

    @Test
    void manyAreChangedInOneGoAndTakenBackUnlessOneWasChangedSince() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Many", null);
        List<UUID> both = List.of(
                api.fileNewPaper(file, "letter", TODAY.minusDays(5)),
                api.fileNewPaper(file, "note", TODAY.minusDays(4)));
        Map<String, ?> shared = Map.of("type", "invoice", "description", "autumn");
        Api.Answer before = api.post("/api/documents/details", Map.of("documents", api.seen(both), "details", shared));
        assertThat(api.get("/api/documents/{id}", both.get(1)).<String>at("$.typeLabel"))
                .isEqualTo("Invoice");
        Map<String, ?> undo = Map.of("before", before.<List<Object>>at("$"));
        assertThat(api.post("/api/documents/details/undo", undo).status()).isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", both.get(0)).<String>at("$.name"))
                .startsWith("Letter");
        assertThat(api.get("/api/documents/{id}", both.get(0)).body()).doesNotContain("autumn");
        assertThat(api.post("/api/documents/details/undo", undo).status()).isEqualTo(409);
        assertThat(api.get("/api/documents/{id}", both.get(1)).<String>at("$.typeLabel"))
                .isEqualTo("Note");
        Map<String, ?> future = Map.of("documentDate", TODAY.plusDays(1).toString());
        assertThat(api.post("/api/documents/details", Map.of("documents", api.seen(both), "details", future))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void manyAreAcceptedOrSentBackAtOnceUnlessOneDoesNotWait() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Reviewed", null);
        UUID first = api.fileNewPaper(file, "first-aid", TODAY.minusDays(5));
        UUID second = api.fileNewPaper(file, "first-aid", TODAY.minusDays(4));
        UUID letter = api.fileNewPaper(file, "letter", TODAY);
        Api.Answer refused = api.post("/api/documents/accept", Map.of("documents", api.shown(first, letter)));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.<String>at("$.detail")).contains("Letter").contains("Nothing was changed");
        assertThat(api.slot(file, "first-aid")).isEqualTo("in-review");
        Map<String, ?> without = Map.of("documents", api.shown(first), "reason", " ");
        assertThat(api.post("/api/documents/send-back", without).status()).isEqualTo(422);
        Map<String, ?> back = Map.of("documents", api.shown(first), "reason", "The second page is missing.");
        assertThat(api.post("/api/documents/send-back", back).status()).isEqualTo(204);
        assertThat(api.post("/api/documents/accept", Map.of("documents", api.shown(second)))
                        .status())
                .isEqualTo(204);
        assertThat(api.slot(file, "first-aid")).isEqualTo("on-file");
        assertThat(api.get("/api/documents/{id}", first).<String>at("$.sentBackReason"))
                .isEqualTo("The second page is missing.");
    }

    @Test
    void aNewVersionKeepsTheOldOneAndAnOldOneCanBeTheNewestAgain() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Versioned", null);
        UUID document = api.fileNewPaper(file, "letter", TODAY);
        byte[] second = Papers.pdf("The second version of this letter is much better");
        assertThat(api.renew(document, "b.pdf", second).status()).isEqualTo(204);
        assertThat(api.renew(document, "b.pdf", second).<String>at("$.code")).isEqualTo("newest-already");
        assertThat(api.renew(document, "c.pdf", Papers.png()).status()).isEqualTo(422);
        assertThat(api.get("/api/documents/{id}/versions/2/reading", document).bytes())
                .isEqualTo(second);
        api.post("/api/documents/{id}/versions/1/restore", null, document);
        List<String> causes = api.get("/api/documents/{id}", document).at("$.versions[*].cause");
        assertThat(causes).containsExactly("as received", "brought by Ottilie Brandmoor", "version 1 again");
        assertThat(api.post("/api/documents/{id}/versions/3/restore", null, document)
                        .status())
                .isEqualTo(409);
        assertThat(api.post("/api/documents/{id}/versions/9/restore", null, document)
                        .status())
                .isEqualTo(404);
        api.post("/api/documents/{id}/versions/2/turn", Map.of("degrees", 90), document);
        api.post("/api/documents/{id}/versions/2/turn", Map.of("degrees", -180), document);
        assertThat(api.get("/api/documents/{id}", document).<List<Integer>>at("$.versions[1].turns"))
                .containsExactly(270);
        assertThat(api.get(
                                "/api/files/{id}/trail",
                                api.get("/api/documents/{id}", document).id("$.fileId"))
                        .<List<String>>at("$[?(@.action=='turned')].sentence"))
                .hasSize(2);
        UUID owner = api.get("/api/documents/{id}", document).id("$.fileId");
        assertThat(api.get("/api/files/{id}/papers", owner).<List<Integer>>at("$[*].turned"))
                .as("an older version was turned, not the newest")
                .containsExactly(0);
        api.post("/api/documents/{id}/versions/3/turn", Map.of("degrees", 90), document);
        assertThat(api.get("/api/files/{id}/papers", owner).<List<Integer>>at("$[*].turned"))
                .containsExactly(90);
        assertThat(api.post("/api/documents/{id}/versions/2/turn", Map.of("degrees", 45), document)
                        .status())
                .isEqualTo(422);
    }

    @Test
    void movedPapersTakeAllAlongAndCopiesStartAnew() throws Exception {
        Api api = practice.administrator();
        UUID from = api.newEmployee("Source", null);
        UUID to = api.newEmployee("Target", null);
        UUID document = api.fileNewPaper(from, "first-aid", TODAY.minusDays(3));
        api.post("/api/documents/{id}/accept", Map.of("version", 1), document);
        List<UUID> copies = api
                .post("/api/documents/copy", Map.of("documents", List.of(document), "fileId", to))
                .<List<String>>at("$")
                .stream()
                .map(UUID::fromString)
                .toList();
        assertThat(api.slot(to, "first-aid")).isEqualTo("in-review");
        api.post("/api/documents/discard", Map.of("documents", copies));
        assertThat(api.post("/api/documents/move", Map.of("documents", List.of(document), "fileId", to))
                        .status())
                .isEqualTo(204);
        assertThat(api.slot(from, "first-aid")).isEqualTo("missing");
        assertThat(api.slot(to, "first-aid")).isEqualTo("on-file");
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.name"))
                .contains("Target T");
        assertThat(api.get("/api/files/{id}/trail", from).body()).contains("moved-away");
        assertThat(api.get("/api/files/{id}/trail", to).body()).contains("moved-here");
        assertThat(api.post("/api/documents/move", Map.of("documents", List.of(document), "fileId", to))
                        .status())
                .isEqualTo(422);

        Api elsewhere = practice.colleague("Elsewhere", true, true);
        UUID theirs = api.newFile("employee", "Theirs", null, "Elsewhere");
        assertThat(elsewhere
                        .post("/api/documents/move", Map.of("documents", List.of(document), "fileId", theirs))
                        .status())
                .isEqualTo(404);
        Api reader = practice.colleague(null, true, false);
        assertThat(reader.post("/api/documents/move", Map.of("documents", List.of(document), "fileId", from))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void whatIsThrownAwayIsOutOfTheFileAndOfEverySearchUntilItIsTakenOut() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Basket", null);
        UUID document = api.fileNewPaper(file, "handbook", TODAY.minusDays(3));
        String person = "{\"person\":\"basket\"}";
        await().until(() ->
                api.post("/api/find", person).<List<?>>at("$.papers").size() == 1);
        api.post("/api/documents/discard", Map.of("documents", List.of(document)));
        assertThat(api.slot(file, "handbook")).isNotEqualTo("on-file");
        assertThat(api.get("/api/documents/{id}", document).status()).isEqualTo(404);
        assertThat(api.get("/api/files/{id}/ledger", file).body()).doesNotContain(document.toString());
        await().until(() ->
                api.post("/api/find", person).<List<?>>at("$.papers").isEmpty());
        Api.Answer basket = api.get("/api/files/{id}/wastebasket", file);
        assertThat(basket.<String>at("$[0].discardedBy")).isEqualTo("Ottilie Brandmoor");
        assertThat(api.post("/api/documents/{id}/restore", null, document).status())
                .isEqualTo(204);
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        assertThat(api.post("/api/documents/{id}/restore", null, document).status())
                .isEqualTo(404);
    }

    @Test
    void aHoldKeepsOthersFromChangingUntilItEnds() throws Exception {
        Api api = practice.administrator();
        Api colleague = practice.colleague(null, true, true);
        UUID file = api.newEmployee("Held", null);
        UUID document = api.fileNewPaper(file, "letter", TODAY);
        assertThat(colleague.post("/api/documents/{id}/hold", null, document).status())
                .isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.hold.by"))
                .isEqualTo("Dilan Ozgune");
        Api.Answer refused =
                api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "x"), document);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.<String>at("$.detail")).contains("Dilan Ozgune works on this paper");
        assertThat(api.post("/api/documents/{id}/hold", null, document).status())
                .isEqualTo(409);
        assertThat(colleague
                        .post("/api/documents/{id}/lift-hold", null, document)
                        .status())
                .isEqualTo(403);
        // its holder saves, and lets go by it
        assertThat(correct(colleague, document, changes(api, document), Api.details(file, "note", TODAY), null)
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", document).body()).doesNotContain("\"hold\"");

        colleague.post("/api/documents/{id}/hold", null, document);
        assertThat(api.post("/api/documents/{id}/lift-hold", null, document).status())
                .isEqualTo(204);
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("lifted the hold of Dilan Ozgune");
        colleague.post("/api/documents/{id}/hold", null, document);
        jdbc.sql("update document_hold set last_at = last_at - interval '31 minutes' where document_id = ?")
                .param(document)
                .update();
        assertThat(api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "idle"), document)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void aConfirmedSectionIsClosedToColleaguesAndReopenedWithAReason() throws Exception {
        Api api = practice.administrator();
        Api colleague = practice.colleague(null, true, true);
        UUID file = api.newEmployee("Confirmed", null);
        UUID inside = api.fileNewPaper(file, "handbook", TODAY.minusDays(2));
        UUID thrown = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        api.post("/api/documents/discard", Map.of("documents", List.of(thrown)));
        assertThat(colleague
                        .post("/api/files/{id}/sections/agreements/confirm", null, file)
                        .status())
                .isEqualTo(403);
        assertThat(api.post("/api/files/{id}/sections/agreements/confirm", null, file)
                        .status())
                .isEqualTo(204);
        assertThat(api.post("/api/files/{id}/sections/nosuch/confirm", null, file)
                        .status())
                .isEqualTo(404);
        Api.Answer refused =
                colleague.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "x"), inside);
        assertThat(refused.<String>at("$.code")).isEqualTo("section-confirmed");
        assertThat(refused.<String>at("$.detail")).contains("Agreements").contains("Ottilie Brandmoor");
        assertThat(colleague.post("/api/documents/{id}/restore", null, thrown).status())
                .isEqualTo(409);
        UUID arrival = colleague
                .upload("/api/arrivals", "a.pdf", Papers.pdf("Handbook"), Map.of("fileId", file))
                .id("$.id");
        assertThat(colleague.file(arrival, file, "handbook", TODAY).status()).isEqualTo(409);
        UUID outside = api.fileNewPaper(file, "letter", TODAY);
        assertThat(correct(colleague, outside, changes(api, outside), Api.details(file, "handbook", TODAY), null)
                        .status())
                .isEqualTo(409);
        assertThat(colleague.get("/api/files/{id}/confirmed-sections", file).<List<String>>at("$[*].section"))
                .containsExactly("agreements");
        assertThat(api.post("/api/files/{id}/sections/agreements/reopen", Map.of("reason", " "), file)
                        .status())
                .isEqualTo(422);
        api.post("/api/files/{id}/sections/agreements/reopen", Map.of("reason", "a page is missing"), file);
        assertThat(colleague
                        .post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "x"), inside)
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains("confirmed the section Agreements")
                .contains("a page is missing");
    }

    @Test
    void aHandOverGoesToAndFroUntilItIsFinished() throws Exception {
        Api api = practice.administrator();
        Api colleague = practice.colleague(null, true, true);
        UUID colleagueId = colleague.get("/api/session").id("$.id");
        UUID file = api.newEmployee("Handed", null);
        UUID document = api.fileNewPaper(file, "letter", TODAY);
        Map<String, ?> to = Map.of(
                "to",
                colleagueId,
                "note",
                "Please answer her.",
                "due",
                TODAY.plusDays(2).toString());
        UUID id = api.post("/api/documents/{id}/hand-overs", to, document).id("$.id");
        assertThat(api.post("/api/documents/{id}/hand-overs", to, document).<String>at("$.code"))
                .isEqualTo("handed-over");
        Api.Answer today = colleague.get("/api/today");
        assertThat(today.<List<String>>at("$.thisWeek[?(@.action=='hand-over')].note"))
                .containsExactly("from Ottilie Brandmoor: “Please answer her.”");
        assertThat(api.get("/api/files/{id}/notices", file).body()).contains("hands you a paper");
        Api.Answer back = colleague.post("/api/hand-overs/{id}/return", Map.of("note", "Which letter?"), id);
        assertThat(back.<Boolean>at("$.mine")).isFalse();
        assertThat(colleague.post("/api/hand-overs/{id}/finish", Map.of(), id).status())
                .isEqualTo(403);
        assertThat(api.get("/api/today").<List<String>>at("$.thisWeek[?(@.action=='hand-over')].note"))
                .contains("from Dilan Ozgune: “Which letter?”");
        assertThat(api.post("/api/hand-overs/{id}/return", Map.of(), id).<String>at("$.code"))
                .isEqualTo("own");
        api.post("/api/hand-overs/{id}/pass-on", Map.of("to", colleagueId), id);
        Api.Answer finished = colleague.post("/api/hand-overs/{id}/finish", Map.of("note", "Answered."), id);
        assertThat(finished.<List<String>>at("$.steps[*].act"))
                .containsExactly("HANDED_OVER", "RETURNED", "PASSED_ON", "FINISHED");
        assertThat(colleague.post("/api/hand-overs/{id}/finish", Map.of(), id).status())
                .isEqualTo(409);
        assertThat(colleague.get("/api/today").body()).doesNotContain("hand-over");
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("finished the hand-over");

        Api blind = practice.colleague("Elsewhere", false, true);
        UUID blindId = blind.get("/api/session").id("$.id");
        assertThat(api.post("/api/documents/{id}/hand-overs", Map.of("to", blindId), document)
                        .<String>at("$.problems[0].message"))
                .contains("may not see this paper");
        assertThat(api.post(
                                "/api/documents/{id}/hand-overs",
                                Map.of(
                                        "to",
                                        colleagueId,
                                        "due",
                                        TODAY.minusDays(1).toString()),
                                document)
                        .<String>at("$.problems[0].field"))
                .isEqualTo("due");
    }

    @Test
    void chosenPapersAreZippedWithAManifestForTheOneWhoAsked() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Zipped", null);
        List<UUID> papers =
                List.of(api.fileNewPaper(file, "letter", TODAY), api.fileNewPaper(file, "tetanus", TODAY.minusDays(3)));
        Api blind = practice.colleague(null, false, true);
        Map<String, TreeMap<String, byte[]>> zips = new HashMap<>();
        for (Map.Entry<String, Api> who : Map.of("all", api, "some", blind).entrySet()) {
            UUID id = who.getValue()
                    .post("/api/zips", Map.of("documents", papers))
                    .id("$.id");
            await().until(() -> who.getValue()
                    .get("/api/jobs")
                    .<List<String>>at("$[?(@.id=='" + id + "')].state")
                    .contains("DONE"));
            assertThat(who.getValue().get("/api/jobs").<List<String>>at("$[?(@.id=='" + id + "')].link"))
                    .containsExactly("/api/zips/" + id);
            zips.put(
                    who.getKey(),
                    unzipped(who.getValue().get("/api/zips/{id}", id).bytes()));
            assertThat(practice.administrator().get("/api/zips/{id}", id).status())
                    .isEqualTo(404);
        }
        assertThat(zips.get("all")).hasSize(3).containsKey("manifest.csv");
        assertThat(zips.get("all").keySet()).anyMatch(n -> n.matches("E-\\d+ Tamsin Zipped/Letter, .*\\.pdf"));
        String manifest = new String(zips.get("all").get("manifest.csv"), StandardCharsets.UTF_8);
        assertThat(manifest.lines()).hasSize(3);
        String sha256 = api.get("/api/documents/{id}", papers.get(0)).at("$.versions[0].sha256");
        assertThat(manifest).contains(sha256).contains("Tetanus record");
        assertThat(zips.get("some")).hasSize(2);
        assertThat(blind.post("/api/zips", Map.of("documents", List.of(papers.get(1))))
                        .status())
                .isEqualTo(404);
        assertThat(api.post("/api/zips", Map.of("documents", List.of())).status())
                .isEqualTo(422);
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("in a ZIP of");
    }

    private static TreeMap<String, byte[]> unzipped(byte[] bytes) throws Exception {
        TreeMap<String, byte[]> entries = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.put(entry.getName(), zip.readAllBytes());
            }
        }
        return entries;
    }
}
