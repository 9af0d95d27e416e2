package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Papers without pages: awaited ones, and those whose original lies on paper. */
@ServerTest
class PlaceholdersTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static Api.Answer note(Api api, UUID file, String type, boolean awaited, String words) throws Exception {
        Map<String, Object> body =
                new HashMap<>(Map.of("details", Api.details(file, type, TODAY.minusDays(1)), "awaited", awaited));
        body.put("words", words);
        return api.post("/api/placeholders", body);
    }

    @Test
    void anAwaitedPaperFillsNoSlotUntilItComes() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Awaited", null);
        UUID paper = note(api, file, "handbook", true, "promised by mail").id("$.id");
        assertThat(api.slot(file, "handbook")).isNotEqualTo("on-file");
        Api.Answer shown = api.get("/api/documents/{id}", paper);
        assertThat(shown.<String>at("$.name")).endsWith(", awaited");
        assertThat(shown.<String>at("$.versions[0].placeholder.words")).isEqualTo("promised by mail");
        assertThat(api.get("/api/files/{id}/papers", file).<List<String>>at("$[*].state"))
                .containsExactly("AWAITED");
        await().untilAsserted(() -> assertThat(
                        api.post("/api/find", Map.of("states", List.of("AWAITED"), "person", "Awaited"))
                                .<List<String>>at("$.papers[*].id"))
                .containsExactly(paper.toString()));
        api.renew(paper, "handbook.pdf", Papers.pdf("Signed"));
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        Api.Answer come = api.get("/api/documents/{id}", paper);
        assertThat(come.<String>at("$.name")).doesNotContain("awaited");
        assertThat(come.<String>at("$.receivedOn")).isEqualTo(TODAY.toString());
    }

    @Test
    void aPaperOfTheAwaitedTypeThatIsFiledEndsTheWaiting() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Cameanyway", null);
        UUID awaited = note(api, file, "handbook", true, null).id("$.id");
        UUID letter = note(api, file, "letter", true, null).id("$.id");
        UUID filed = api.fileNewPaper(file, "handbook", TODAY.minusDays(2));
        assertThat(api.get("/api/files/{id}/papers", file).<List<String>>at("$[*].id"))
                .containsExactlyInAnyOrder(filed.toString(), letter.toString());
        assertThat(api.get("/api/files/{id}/wastebasket", file).<List<String>>at("$[*].id"))
                .containsExactly(awaited.toString());
    }

    @Test
    void whatWasAwaitedIsAwaitedAgainWhenTheFilingIsTakenBack() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Waitsagain", null);
        UUID awaited = note(api, file, "handbook", true, "promised by mail").id("$.id");
        UUID arrival = api.upload("/api/arrivals", "handbook.pdf", Papers.pdf("Handbook"), Map.of())
                .id("$.id");
        UUID filed = api.file(arrival, file, "handbook", TODAY.minusDays(2)).id("$.documentId");
        assertThat(api.get("/api/files/{id}/papers", file).<List<String>>at("$[*].id"))
                .containsExactly(filed.toString());
        assertThat(api.post("/api/arrivals/undo-filing", Map.of("papers", List.of(arrival)))
                        .status())
                .isLessThan(300);
        assertThat(api.get("/api/files/{id}/papers", file).<List<String>>at("$[*].id"))
                .containsExactly(awaited.toString());
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.endsWith("waits again"));
    }

    @Test
    void anOriginalOnPaperCountsAndTellsWhereItLies() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Onpaper", null);
        assertThat(note(api, file, "handbook", false, "  ").<String>at("$.problems[0].message"))
                .startsWith("Say where the original lies");
        UUID paper = note(api, file, "handbook", false, "Office,  cabinet 3").id("$.id");
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        api.post("/api/documents/{id}/place", Map.of("place", "Archive, box 12"), paper);
        Api.Answer moved = api.get("/api/documents/{id}", paper);
        assertThat(moved.<List<String>>at("$.versions[*].placeholder.words"))
                .containsExactly("Office, cabinet 3", "Archive, box 12");
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.endsWith("lies on paper: Archive, box 12"));
        UUID guest = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "Ruth", "email", TestPractice.newAddress(), "relation", "guardian"),
                        file)
                .id("$.accountId");
        assertThat(api.post("/api/shares", Map.of("accountId", guest, "documents", List.of(paper)))
                        .<String>at("$.code"))
                .as("a guest would see nothing of it")
                .isEqualTo("on-paper");
        assertThat(practice.colleague("Stables", true, false)
                        .post("/api/documents/{id}/place", Map.of("place", "Elsewhere"), paper)
                        .status())
                .isEqualTo(403);
    }
}
