package app.denfold.server.documents;

import static app.denfold.server.marks.MarkedPapers.cover;
import static app.denfold.server.marks.MarkedPapers.draft;
import static app.denfold.server.marks.MarkedPapers.read;
import static app.denfold.server.marks.MarkedPapers.text;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** The pages of filed papers: moved, turned, taken out, put in, split off; each time as a newer version. */
@ServerTest
class PagesOfPapersTest {

    private static final String SECRET = "Quillfeather";

    @Autowired
    TestPractice practice;

    private Api api;

    @BeforeEach
    void signIn() throws Exception {
        api = practice.administrator();
    }

    private static Map<String, Object> page(UUID document, int page, int turn) {
        Map<String, Object> wanted = new HashMap<>(Map.of("page", page, "turn", turn));
        wanted.put("document", document);
        return wanted;
    }

    private static Map<String, Object> own(int page) {
        return page(null, page, 0);
    }

    private Api.Answer rearrange(Api as, UUID paper, int version, List<Map<String, Object>> pages, UUID... emptied)
            throws Exception {
        return as.post(
                "/api/documents/{id}/pages",
                Map.of("version", version, "pages", pages, "emptied", List.of(emptied)),
                paper);
    }

    private String words(UUID paper, int version) throws Exception {
        return text(api.get("/api/documents/{id}/versions/{n}/content", paper, version)
                .bytes());
    }

    private UUID lettered(UUID file, String... pages) throws Exception {
        UUID arrival = api.upload("/api/arrivals", "paper.pdf", Papers.pages(List.of(pages)), Map.of())
                .id("$.id");
        return api.file(arrival, file, "letter", LocalDate.now().minusDays(3)).id("$.documentId");
    }

    private static String unique(String word) {
        return word + UUID.randomUUID().toString().substring(0, 6);
    }

    @Test
    void pagesAreMovedTakenOutAndPutInAsAVersionThatNamesItsSources() throws Exception {
        UUID file = api.newEmployee("Pages", null);
        String one = unique("alder");
        String two = unique("birch");
        String three = unique("cedar");
        UUID paper = lettered(file, one, two, three);
        UUID other = lettered(file, unique("dogwood"), "elm" + one);
        String otherName = api.get("/api/documents/{id}", other).at("$.name");

        Api.Answer newer = rearrange(api, paper, 1, List.of(own(3), page(other, 2, 0), own(1)));
        assertThat(newer.status()).as(newer.body()).isEqualTo(201);
        assertThat(newer.<Integer>at("$.version")).isEqualTo(2);
        assertThat(words(paper, 2)).containsSubsequence(three, "elm" + one, one).doesNotContain(two);
        assertThat(words(paper, 1)).containsSubsequence(one, two, three);
        assertThat(api.get("/api/documents/{id}", paper).<String>at("$.versions[1].cause"))
                .isEqualTo("took out page 2, put in page 2 of “" + otherName + "”, moved page 1");
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("changed the pages of", "version 1 stays");

        assertThat(rearrange(api, paper, 1, List.of(own(1))).<String>at("$.code"))
                .isEqualTo("newer-version");
        assertThat(rearrange(api, paper, 2, List.of(own(1), own(2), own(3))).<String>at("$.code"))
                .isEqualTo("nothing-changed");
        assertThat(rearrange(api, paper, 2, List.of(own(4))).<String>at("$.problems[0].message"))
                .contains("3 pages");
        assertThat(rearrange(api, paper, 2, List.of(own(1), page(other, 3, 0))).status())
                .isEqualTo(422);
        assertThat(api.post("/api/documents/{id}/versions/1/restore", null, paper)
                        .status())
                .isEqualTo(204);
        assertThat(words(paper, 3)).containsSubsequence(one, two, three);
    }

    @Test
    void twoPapersBecomeOneAndOneBecomesTwo() throws Exception {
        UUID file = api.newEmployee("Joined", null);
        String one = unique("alder");
        String two = unique("birch");
        UUID paper = lettered(file, one);
        UUID other = lettered(file, two, unique("cedar"));
        assertThat(rearrange(api, paper, 1, List.of(own(1), page(other, 1, 0)), UUID.randomUUID())
                        .status())
                .isEqualTo(404);
        assertThat(rearrange(api, paper, 1, List.of(own(1), page(other, 1, 0)), other)
                        .status())
                .as("a page of it would be gone")
                .isEqualTo(422);
        UUID elsewhere = lettered(api.newEmployee("Elsewhere", null), unique("dogwood"));
        assertThat(rearrange(api, paper, 1, List.of(own(1), page(elsewhere, 1, 0)))
                        .<String>at("$.code"))
                .isEqualTo("other-file");
        rearrange(api, paper, 1, List.of(own(1), page(other, 1, 0), page(other, 2, 90)), other);
        assertThat(api.get("/api/files/{id}/wastebasket", file).<List<String>>at("$[*].id"))
                .containsExactly(other.toString());
        assertThat(api.get("/api/documents/{id}", paper).<Integer>at("$.versions[1].pages"))
                .isEqualTo(3);

        UUID split = api.post("/api/documents/{id}/split", Map.of("version", 2, "after", 1), paper)
                .id("$.documentId");
        assertThat(words(split, 1)).contains(two).doesNotContain(one);
        assertThat(words(paper, 3)).contains(one).doesNotContain(two);
        assertThat(api.get("/api/documents/{id}", split).<String>at("$.source")).startsWith("split off from “");
        assertThat(api.post("/api/documents/{id}/split", Map.of("version", 3, "after", 1), paper)
                        .status())
                .as("its only page")
                .isEqualTo(422);
    }

    @Test
    void aScanThatWaitsIsPutInAndFiledWithThat() throws Exception {
        UUID file = api.newEmployee("Scanin", null);
        String one = unique("alder");
        UUID paper = lettered(file, one, unique("birch"));
        String scanned = unique("scanned");
        UUID arrival = api.upload("/api/arrivals", "scan.pdf", Papers.pages(List.of(scanned)), Map.of())
                .id("$.id");
        Map<String, Object> wish =
                new HashMap<>(Map.of("arrivalVersion", 9, "document", paper, "version", 1, "after", 1));
        assertThat(api.post("/api/arrivals/{id}/put-in", wish, arrival).status())
                .isEqualTo(409);
        wish.put("arrivalVersion", 0);
        wish.put("after", 5);
        assertThat(api.post("/api/arrivals/{id}/put-in", wish, arrival).status())
                .isEqualTo(422);
        wish.put("after", 1);
        assertThat(api.post("/api/arrivals/{id}/put-in", wish, arrival).<Integer>at("$.version"))
                .isEqualTo(2);
        assertThat(words(paper, 2)).containsSubsequence(one, scanned);
        assertThat(api.get("/api/arrivals").<List<String>>at("$[*].id")).doesNotContain(arrival.toString());
        assertThat(api.get("/api/documents/{id}", paper).<String>at("$.versions[1].cause"))
                .contains("scan.pdf");
        assertThat(api.post("/api/arrivals/{id}/put-in", wish, arrival).status())
                .as("filed already")
                .isEqualTo(409);
    }

    @Test
    void whatIsCoveredStaysCoveredWhereverItsPageGoes() throws Exception {
        UUID file = api.newEmployee("Coversgo", null);
        UUID paper = read(api, file, "First page, nothing here", "To " + SECRET + "|about lessons");
        UUID other = read(api, file, "Other paper", "Also " + SECRET + " on this one");
        cover(api, paper, SECRET);
        cover(api, other, SECRET);
        rearrange(api, paper, 1, List.of(page(null, 2, 90), own(1), page(other, 2, 0)));
        List<Integer> covered =
                api.get("/api/documents/{id}/versions/2/marks", paper).at("$[*].page");
        assertThat(covered).containsExactlyInAnyOrder(1, 3);
        assertThat(api.get("/api/documents/{id}/versions/2/marks", paper).body())
                .doesNotContain("carriedFrom");
        Api.Answer copy = draft(api, paper, "An insurer", false, false, false);
        assertThat(copy.<Integer>at("$[0].covered")).isEqualTo(2);
        UUID id = copy.id("$[0].id");
        assertThat(api.post(
                                "/api/copies-out/give",
                                Map.of("copies", List.of(id), "way", "DOWNLOAD", "evenIfReadable", false))
                        .status())
                .isEqualTo(204);
        assertThat(text(api.get("/api/copies-out/{id}/content", id).bytes()))
                .contains("First page")
                .doesNotContain(SECRET);

        UUID split = api.post("/api/documents/{id}/split", Map.of("version", 2, "after", 2), paper)
                .id("$.documentId");
        assertThat(api.get("/api/documents/{id}/versions/1/marks", split).<List<Integer>>at("$[*].page"))
                .containsExactly(1);
        // bytes of before are the newest again: what stood there stands there, and nothing is laid open
        api.post("/api/documents/{id}/versions/1/restore", null, paper);
        assertThat(api.get("/api/documents/{id}/versions/4/marks", paper).<List<Integer>>at("$[*].page"))
                .contains(2);
    }

    @Test
    void marksThatWereRemovedDoNotComeBackWhenThePaperIsDecidedOn() throws Exception {
        UUID file = api.newEmployee("Nocomeback", null);
        UUID paper = read(api, file, "To " + SECRET + "|about lessons");
        cover(api, paper, SECRET);
        api.renew(paper, "newer.pdf", Papers.pdf("To " + SECRET + " again " + UUID.randomUUID()));
        String marks = "/api/documents/{id}/versions/2/marks";
        UUID carried = api.get(marks, paper).id("$[0].id");
        api.send(HttpMethod.DELETE, "/api/marks/{id}", null, carried);
        assertThat(api.get(marks, paper).<List<Object>>at("$")).isEmpty();
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 2, "reason", "not his"), paper);
        assertThat(api.get(marks, paper).<List<Object>>at("$")).isEmpty();
    }

    @Test
    void whatIsSensitiveStaysAmongWhatIsAndNobodyChangesWhatTheyMayNot() throws Exception {
        UUID file = api.newEmployee("Sensitivepages", null);
        UUID paper = lettered(file, unique("alder"), unique("birch"));
        UUID tetanus = api.fileNewPaper(file, "tetanus", LocalDate.now().minusDays(3));
        List<Map<String, Object>> wanted = new ArrayList<>(List.of(own(1), own(2), page(tetanus, 1, 0)));
        assertThat(rearrange(api, paper, 1, wanted).<String>at("$.code")).isEqualTo("sensitive-pages");
        Api few = practice.colleague(null, false, true);
        assertThat(rearrange(few, paper, 1, wanted).status()).isEqualTo(404);
        Api looks = practice.colleague(null, true, false);
        assertThat(rearrange(looks, paper, 1, List.of(own(2), own(1))).status()).isEqualTo(403);
        UUID office = api.file(
                        api.upload("/api/arrivals", "note.txt", "Just words".getBytes(), Map.of())
                                .id("$.id"),
                        file,
                        "letter",
                        LocalDate.now().minusDays(1))
                .id("$.documentId");
        assertThat(rearrange(api, office, 1, List.of(own(1))).status()).isEqualTo(409);
    }
}
