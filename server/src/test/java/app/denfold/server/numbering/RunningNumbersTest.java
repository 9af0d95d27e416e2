package app.denfold.server.numbering;

import static app.denfold.server.Patience.await;
import static app.denfold.server.marks.MarkedPapers.cover;
import static app.denfold.server.marks.MarkedPapers.read;
import static app.denfold.server.marks.MarkedPapers.text;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import app.denfold.server.content.ContentStore;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Numbers of pages: each is given once, and known for good. */
@ServerTest
class RunningNumbersTest {

    private static final String SECRET = "Quillfeather";

    @Autowired
    TestPractice practice;

    @Autowired
    ContentStore store;

    /** Letters that no other test uses. */
    private final String prefix =
            new Random().ints(12, 'A', 'Z' + 1).mapToObj(Character::toString).collect(Collectors.joining("", "T", "-"));

    private Map<String, Object> wish(Long first, UUID... papers) {
        Map<String, Object> wish = new HashMap<>(Map.of(
                "documents", List.of(papers), "prefix", prefix, "digits", 6, "place", "BOTTOM_RIGHT", "size", 9));
        wish.put("first", first);
        return wish;
    }

    private static UUID paper(Api api, UUID file, String... pages) throws Exception {
        UUID arrival = api.upload("/api/arrivals", "paper.pdf", Papers.pages(List.of(pages)), Map.of())
                .id("$.id");
        return api.file(arrival, file, "letter", LocalDate.now().minusDays(3)).id("$.documentId");
    }

    /** Gives numbers and waits for the copies. */
    private UUID given(Api api, UUID file, Map<String, Object> wish) throws Exception {
        Api.Answer answer = api.post("/api/number-sets", wish);
        assertThat(answer.status()).as(answer.body()).isEqualTo(202);
        UUID set = answer.id("$.id");
        await().until(() -> api
                .get("/api/files/{id}/number-sets", file)
                .<List<Boolean>>at("$[?(@.id=='" + set + "')].papers[*].isMade")
                .stream()
                .allMatch(made -> made));
        return set;
    }

    private static byte[] joined(Api api, UUID set) throws Exception {
        Api.Answer answer = api.get("/api/number-sets/{id}/joined", set);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.bytes();
    }

    private static List<byte[]> zipped(Api api, UUID set) throws Exception {
        List<byte[]> files = new ArrayList<>();
        byte[] zip = api.get("/api/number-sets/{id}/zipped", set).bytes();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            while (in.getNextEntry() != null) {
                files.add(in.readAllBytes());
            }
        }
        return files;
    }

    @Test
    void numbersRunOverPapersGoOnWhereTheLastSetEndedAndAreFoundAgain() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Numbered", null);
        UUID letter = paper(api, file, "First page", "Second page");
        UUID photo = api.file(
                        api.upload("/api/arrivals", "photo.png", Papers.png(), Map.of())
                                .id("$.id"),
                        file,
                        "letter",
                        LocalDate.now().minusDays(2))
                .id("$.documentId");
        Api.Answer plan = api.post("/api/number-sets/look", wish(null, letter, photo));
        assertThat(plan.<Integer>at("$.next")).isEqualTo(1);
        assertThat(plan.<String>at("$.words")).isEqualTo(prefix + "000001 to " + prefix + "000003");
        assertThat(plan.<List<String>>at("$.papers[*].last")).containsExactly(prefix + "000002", prefix + "000003");
        assertThat(api.get("/api/page-numbers?typed={n}", prefix + "1").<List<?>>at("$"))
                .as("nothing was given yet")
                .isEmpty();

        UUID set = given(api, file, wish(null, letter, photo));
        assertThat(text(joined(api, set)))
                .contains("First page", "Second page", prefix + "000001", prefix + "000002", prefix + "000003");
        assertThat(zipped(api, set)).hasSize(2).allSatisfy(copy -> assertThat(text(copy))
                .contains(prefix));
        assertThat(text(api.get("/api/documents/{id}/versions/1/content", letter)
                        .bytes()))
                .as("the paper itself")
                .doesNotContain(prefix);
        Api.Answer found = api.get("/api/page-numbers?typed={n}", prefix.toLowerCase() + "2");
        assertThat(found.<String>at("$[0].number")).isEqualTo(prefix + "000002");
        assertThat(found.id("$[0].documentId")).isEqualTo(letter);
        assertThat(found.<Integer>at("$[0].page")).isEqualTo(2);

        assertThat(api.post("/api/number-sets/look", wish(null, letter)).<String>at("$.words"))
                .isEqualTo(prefix + "000004 to " + prefix + "000005");
        Api.Answer again = api.post("/api/number-sets", wish(3L, letter));
        assertThat(again.<String>at("$.code")).isEqualTo("given");
        assertThat(again.body()).contains("The next free one is " + prefix + "000004");
        UUID later = given(api, file, wish(10L, letter));
        assertThat(text(joined(api, later))).contains(prefix + "000010");
        assertThat(api.get("/api/page-numbers?typed={n}", prefix + "9").<List<?>>at("$"))
                .as("a number that was left out")
                .isEmpty();
        assertThat(api.post("/api/number-sets/look", wish(9L, letter)).status()).isEqualTo(409);
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains(prefix + "000001 to " + prefix + "000002", "with the numbers " + prefix + "000010");
    }

    @Test
    void anOfficeFileIsNumberedOnThePagesItIsLaidOutOn() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Officenumber", null);
        byte[] rtf = "{\\rtf1\\ansi A note about hay\\page And about straw}".getBytes(StandardCharsets.US_ASCII);
        UUID arrival = api.upload("/api/arrivals", "note.rtf", rtf, Map.of()).id("$.id");
        UUID note = api.file(arrival, file, "note", LocalDate.now()).id("$.documentId");
        UUID set = given(api, file, wish(null, note, paper(api, file, "A letter")));
        assertThat(text(joined(api, set)))
                .containsSubsequence(
                        "A note about hay",
                        prefix + "000001",
                        "And about straw",
                        prefix + "000002",
                        "A letter",
                        prefix + "000003");
    }

    @Test
    void twoWhoNumberAtOnceNeverGetTheSameNumber() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Atonce", null);
        UUID paper = paper(api, file, "One", "Two", "Three");
        Api other = practice.administrator();
        List<CompletableFuture<Api.Answer>> asked = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            Api who = i % 2 == 0 ? api : other;
            asked.add(CompletableFuture.supplyAsync(() -> {
                try {
                    return who.post("/api/number-sets", wish(null, paper));
                } catch (Exception failed) {
                    throw new IllegalStateException(failed);
                }
            }));
        }
        for (CompletableFuture<Api.Answer> one : asked) {
            assertThat(one.get().status()).isEqualTo(202);
        }
        assertThat(api.get("/api/files/{id}/number-sets", file).<List<String>>at("$[*].papers[*].first"))
                .hasSize(8)
                .doesNotHaveDuplicates();
        assertThat(api.post("/api/number-sets/look", wish(null, paper)).<Integer>at("$.next"))
                .isEqualTo(25);
    }

    @Test
    void whatIsCoveredLaterIsGoneFromTheNumberedCopyToo() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Coverlater", null);
        UUID paper = read(api, file, "To " + SECRET + "|about the lessons.");
        UUID set = given(api, file, wish(null, paper));
        assertThat(text(joined(api, set))).contains(SECRET, prefix + "000001");
        cover(api, paper, SECRET);
        assertThat(text(joined(api, set))).contains(prefix + "000001").doesNotContain(SECRET);
    }

    @Test
    void numbersOfADestroyedPaperAreNotGivenAgainAndOthersLearnNothingOfHiddenPapers() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Destroyed", null);
        UUID gone = paper(api, file, "Gone");
        UUID stays = paper(api, file, "Stays");
        UUID set = given(api, file, wish(null, gone, stays));
        assertThat(practice.colleague("Nowhere", true, true)
                        .get("/api/page-numbers?typed={n}", prefix + "1")
                        .<List<?>>at("$"))
                .isEmpty();
        api.post("/api/documents/discard", Map.of("documents", List.of(gone)));
        assertThat(api.get("/api/page-numbers?typed={n}", prefix + "1").<List<?>>at("$"))
                .isEmpty();
        Api.Answer left = api.get("/api/files/{id}/number-sets", file);
        assertThat(left.<String>at("$[0].words"))
                .as("what is not shown is neither told nor counted")
                .isEqualTo(prefix + "000002");
        assertThat(left.<Integer>at("$[0].destroyed")).isZero();
        Api.Answer destroyed =
                api.post("/api/documents/destroy", Map.of("documents", List.of(gone), "reason", "a test of ours"));
        assertThat(destroyed.status()).as(destroyed.body()).isLessThan(300);
        Api.Answer sets = api.get("/api/files/{id}/number-sets", file);
        assertThat(sets.<Integer>at("$[0].destroyed")).isEqualTo(1);
        assertThat(sets.<List<String>>at("$[0].papers[*].first")).containsExactly(prefix + "000002");
        assertThat(text(joined(api, set))).contains("Stays").doesNotContain("Gone");
        assertThat(api.post("/api/number-sets/look", wish(1L, stays)).status()).isEqualTo(409);
    }

    @Test
    void aDamagedPaperKeepsItsNumbersSaysWhyAndIsNumberedOnceItIsMended() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Mended", null);
        UUID paper = paper(api, file, "Whole " + UUID.randomUUID());
        Path stored = store.file(api.get("/api/documents/{id}", paper).<String>at("$.versions[0].sha256"));
        byte[] whole = Files.readAllBytes(stored);
        byte[] broken = whole.clone();
        broken[100] ^= 1;
        Files.write(stored, broken);
        UUID set = api.post("/api/number-sets", wish(null, paper)).id("$.id");
        await().until(() -> api.get("/api/files/{id}/number-sets", file)
                .<String>at("$[0].papers[0].failure")
                .contains("damaged"));
        assertThat(api.get("/api/number-sets/{id}/joined", set).<String>at("$.code"))
                .isEqualTo("not-made");
        // the same bytes coming in again mend it
        api.upload("/api/arrivals", "paper.pdf", whole, Map.of());
        assertThat(api.post("/api/number-sets/{id}/again", null, set).status()).isEqualTo(202);
        await().until(() -> api.get("/api/files/{id}/number-sets", file).<Boolean>at("$[0].papers[0].isMade"));
        assertThat(text(joined(api, set))).contains(prefix + "000001");
        assertThat(api.post("/api/number-sets/{id}/again", null, set).status()).isEqualTo(409);
    }

    @Test
    void whatCannotBeNumberedIsSaidAndNothingIsGiven() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Refused", null);
        UUID paper = paper(api, file, "One");
        Map<String, Object> digit = wish(null, paper);
        digit.put("prefix", prefix + "0");
        assertThat(api.post("/api/number-sets", digit).status()).isEqualTo(422);
        Map<String, Object> huge = wish(null, paper);
        huge.put("size", 90);
        assertThat(api.post("/api/number-sets", huge).status()).isEqualTo(422);
        assertThat(api.post("/api/number-sets", wish(0L, paper)).status()).isEqualTo(422);
        assertThat(api.post("/api/number-sets", wish(null, UUID.randomUUID())).status())
                .isEqualTo(404);
        assertThat(practice.colleague(null, true, false)
                        .post("/api/number-sets", wish(null, paper))
                        .status())
                .isEqualTo(403);
        assertThat(api.post("/api/number-sets/look", wish(null, paper)).<Integer>at("$.next"))
                .isEqualTo(1);
        assertThat(api.get("/api/number-sets/{id}/joined", UUID.randomUUID()).status())
                .isEqualTo(404);
    }
}
