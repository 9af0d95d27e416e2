package app.denfold.server.marks;

import static app.denfold.server.marks.MarkedPapers.cover;
import static app.denfold.server.marks.MarkedPapers.draft;
import static app.denfold.server.marks.MarkedPapers.mark;
import static app.denfold.server.marks.MarkedPapers.put;
import static app.denfold.server.marks.MarkedPapers.read;
import static app.denfold.server.marks.MarkedPapers.text;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import app.denfold.server.access.Marking;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Scope;
import java.io.ByteArrayInputStream;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** What is covered is closed in every copy that leaves, by whatever way. */
@ServerTest
class CoversTest {

    private static final String SECRET = "Quillfeather";
    private static final String LETTER = "To " + SECRET + "|about the riding lessons of Tamsin Korhola.";

    @Autowired
    TestPractice practice;

    private static byte[] firstInZip(byte[] zip) throws Exception {
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            in.getNextEntry();
            return in.readAllBytes();
        }
    }

    private static Api.Answer give(Api api, UUID copy, boolean evenIfReadable) throws Exception {
        return api.post(
                "/api/copies-out/give",
                Map.of("copies", List.of(copy), "way", "DOWNLOAD", "evenIfReadable", evenIfReadable));
    }

    @Test
    void wordsAreFoundOnAllPapersShownFirstAndCoveredOnce() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Korhola", null);
        UUID one = read(
                api, file, LETTER, "The rider was born 9 March 1994, and was first seen at the yard on 2 May 2026.");
        UUID other = read(api, file, "Nothing of interest.");
        assertThat(api.get("/api/files/{id}/words-to-cover", file).<List<String>>at("$"))
                .startsWith("Tamsin Korhola", "Korhola");
        Map<String, Object> wanted = Map.of(
                "documents",
                List.of(one, other),
                "phrases",
                List.of("korhola", SECRET),
                "what",
                List.of("BIRTH_DATES"));
        Api.Answer found = api.post("/api/covers/look", wanted);
        assertThat(found.<List<String>>at("$[?(@.documentId=='" + one + "')].places[*].words"))
                .containsExactly(SECRET, "Korhola.", "9 March 1994,");
        assertThat(found.<List<String>>at("$[?(@.documentId=='" + other + "')].places[*].words"))
                .isEmpty();
        assertThat(found.<List<Boolean>>at("$[*].places[*].isCovered")).containsOnly(false);
        cover(api, one, SECRET);
        assertThat(api.post("/api/covers/look", wanted).<List<Boolean>>at("$[*].places[*].isCovered"))
                .containsExactlyInAnyOrder(true, false, false);
        assertThat(api.get("/api/documents/{id}/versions/1/marks", one).<String>at("$[0].shape.reason"))
                .isEqualTo("third person");
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains("covered a place on")
                .doesNotContain(SECRET);
        assertThat(api.post(
                                "/api/covers/look",
                                Map.of("documents", List.of(one), "phrases", List.of(" "), "what", List.of()))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void everyWayOutIsClosedAndOnlyTheRightOpensIt() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Closed", null);
        UUID paper = read(api, file, LETTER);
        Api guest = practice.guestOf(api, file);
        api.post(
                "/api/documents/{id}/shares",
                Map.of("accountId", guest.get("/api/session").id("$.id")),
                paper);
        assertThat(text(guest.get("/api/portal/documents/{id}/content", paper).bytes()))
                .contains(SECRET);
        assertThat(guest.get("/api/portal/found?text={t}", SECRET).<List<?>>at("$"))
                .hasSize(1);

        cover(api, paper, SECRET);

        for (Api.Answer given : List.of(
                api.get("/api/documents/{id}/versions/1/content", paper),
                api.get("/api/documents/{id}/versions/1/archive", paper),
                api.get("/api/print?documents={id}", paper),
                guest.get("/api/portal/documents/{id}/content", paper))) {
            assertThat(given.status()).isEqualTo(200);
            assertThat(text(given.bytes())).doesNotContain(SECRET);
            try (PDDocument document = Loader.loadPDF(given.bytes())) {
                assertThat(document.getNumberOfPages()).isEqualTo(1);
            }
        }
        assertThat(text(firstInZip(guest.streamed("/api/portal/zip").bytes()))).doesNotContain(SECRET);
        assertThat(guest.get("/api/portal/found?text={t}", SECRET).<List<?>>at("$"))
                .isEmpty();
        assertThat(guest.get("/api/portal/found?text=riding").<List<?>>at("$")).hasSize(1);
        assertThat(guest.get("/api/portal/documents/{id}/pages/1", paper).bytes())
                .isNotEqualTo(
                        api.get("/api/documents/{id}/versions/1/pages/1", paper).bytes());

        assertThat(text(api.get("/api/documents/{id}/versions/1/content?open=true", paper)
                        .bytes()))
                .contains(SECRET);
        Api colleague = practice.colleague(null, true, true);
        assertThat(colleague
                        .get("/api/documents/{id}/versions/1/content?open=true", paper)
                        .status())
                .isEqualTo(403);
        assertThat(draft(colleague, paper, "Hallam Insurance", false, true, false)
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aCopyIsNumberedNamesItsReaderAndIsGivenAsItWasLookedAt() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Copied", null);
        UUID paper = read(api, file, LETTER);
        cover(api, paper, SECRET);
        put(api, paper, List.of(mark(1, "NOTE", "Only for us")));
        Api.Answer draft = draft(api, paper, " Hallam Insurance ", false, false, true);
        UUID copy = draft.id("$[0].id");
        int number = draft.at("$[0].number");
        assertThat(draft.<Integer>at("$[0].covered")).isEqualTo(1);
        assertThat(draft.<List<?>>at("$[0].stillReadable")).isEmpty();
        assertThat(api.get("/api/copies-out/{id}/pages/1", copy).status()).isEqualTo(200);
        assertThat(api.get("/api/copies-out/{id}/content", copy).status())
                .as("not given yet")
                .isEqualTo(409);
        assertThat(practice.administrator()
                        .get("/api/copies-out/{id}/pages/1", copy)
                        .status())
                .as("looked at by somebody else")
                .isEqualTo(404);
        assertThat(api.get("/api/files/{id}/copies", file).<List<?>>at("$")).isEmpty();

        assertThat(give(api, copy, false).status()).isEqualTo(204);
        String said = text(api.get("/api/copies-out/{id}/content", copy).bytes());
        assertThat(said).contains("Copy " + number + " for Hallam Insurance").doesNotContain(SECRET);
        assertThat(give(api, copy, false).status()).as("given twice").isEqualTo(409);
        Api.Answer given = api.get("/api/files/{id}/copies", file);
        assertThat(given.<String>at("$[0].reader")).isEqualTo("Hallam Insurance");
        assertThat(given.<String>at("$[0].covers")).isEqualTo("1 place covered");
        assertThat(given.<List<String>>at("$[0].reasons")).containsExactly("third person");
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains("downloaded copy " + number + " of")
                .contains("for Hallam Insurance, 1 place covered");
        assertThat(draft(api, paper, "", false, false, true).status()).isEqualTo(422);
    }

    @Test
    void wordsThatCanBeReadElsewhereAreToldBeforeTheCopyIsGiven() throws Exception {
        Api api = practice.administrator();
        UUID paper = read(api, api.newEmployee("Readable", null), LETTER, "Again to " + SECRET + ".");
        Api.Answer found = api.post(
                "/api/covers/look", Map.of("documents", List.of(paper), "phrases", List.of(SECRET), "what", List.of()));
        put(api, paper, List.of(mark(1, Map.of("kind", "COVER", "areas", found.at("$[0].places[0].areas")))));
        UUID copy = draft(api, paper, "Hallam Insurance", false, false, false).id("$[0].id");
        Api.Answer refused = give(api, copy, false);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body()).contains("can still be read", SECRET, "page 2");
        assertThat(give(api, copy, true).status()).isEqualTo(204);
    }

    @Test
    void aPaperThatChangedSinceIsLookedAtAgain() throws Exception {
        Api api = practice.administrator();
        UUID paper = read(api, api.newEmployee("Changed", null), LETTER);
        UUID before = draft(api, paper, "Hallam Insurance", false, false, false).id("$[0].id");
        cover(api, paper, SECRET);
        assertThat(give(api, before, false).body()).contains("was changed since");
        UUID covered =
                draft(api, paper, "Hallam Insurance", false, false, false).id("$[0].id");
        api.renew(paper, "newer.pdf", Papers.pages(List.of(LETTER)));
        assertThat(give(api, covered, false).status()).isEqualTo(409);
        Api.Answer newer = draft(api, paper, "Hallam Insurance", false, false, false);
        assertThat(newer.<Integer>at("$[0].covered"))
                .as("covers go on to a newer version")
                .isEqualTo(1);
        assertThat(newer.<Integer>at("$[0].moved")).isEqualTo(1);
    }

    @Test
    void withoutMarksCoversAndFootTheReaderGetsTheVeryBytes() throws Exception {
        Api api = practice.administrator();
        UUID paper = read(api, api.newEmployee("Bytes", null), LETTER);
        Api.Answer draft = draft(api, paper, "Hallam Insurance", true, false, false);
        assertThat(draft.<Boolean>at("$[0].isOriginal")).isTrue();
        give(api, draft.id("$[0].id"), false);
        assertThat(api.get("/api/copies-out/{id}/content", draft.id("$[0].id")).bytes())
                .isEqualTo(
                        api.get("/api/documents/{id}/versions/1/content", paper).bytes());
    }

    @Test
    void severalCopiesLeaveAsOneBundleInTheirOrder() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Bundled", null);
        UUID one = read(api, file, LETTER);
        UUID other = read(api, file, "The second letter, about the box of the pony and its hay.");
        cover(api, one, SECRET);
        Api.Answer drafts = api.post(
                "/api/copies-out",
                Map.of(
                        "documents",
                        List.of(other, one),
                        "reader",
                        Map.of("kind", "OTHER", "name", "A lawyer"),
                        "marks",
                        false,
                        "open",
                        false,
                        "foot",
                        true));
        List<String> ids = drafts.at("$[*].id");
        String asked = String.join(",", ids);
        assertThat(api.get("/api/copies-out/joined?copies=" + asked).status())
                .as("not given")
                .isEqualTo(409);
        api.post("/api/copies-out/give", Map.of("copies", ids, "way", "PRINT", "evenIfReadable", false));
        String joined = text(api.get("/api/copies-out/joined?title=For the lawyer&copies=" + asked)
                .bytes());
        assertThat(joined)
                .startsWith("For the lawyer")
                .contains("about the box of the pony", "for A lawyer")
                .doesNotContain(SECRET);
        assertThat(text(firstInZip(
                        api.get("/api/copies-out/zipped?copies=" + asked).bytes())))
                .contains("about the box of the pony");

        Map<String, Object> wanted = Map.of("name", "For the lawyer", "documents", List.of(other, one));
        UUID bundle = api.post("/api/bundles", wanted).id("$.id");
        api.post("/api/bundles/{id}/given", Map.of(), bundle);
        api.renew(one, "newer.pdf", Papers.pages(List.of(LETTER)));
        Api.Answer kept = api.get("/api/files/{id}/bundles", file);
        assertThat(kept.<List<String>>at("$[0].papers[*].id")).containsExactly(other.toString(), one.toString());
        assertThat(kept.<List<Boolean>>at("$[0].papers[*].isNewer")).containsExactly(false, true);
        UUID away = api.newEmployee("Elsewhere", null);
        UUID elsewhere = read(api, away, "Another file.");
        api.post("/api/bundles", Map.of("name", "Across", "documents", List.of(elsewhere, one)));
        for (UUID either : List.of(file, away)) {
            Api.Answer across = api.get("/api/files/{id}/bundles", either);
            assertThat(across.<List<String>>at("$[?(@.acrossFiles==true)].papers[*].id"))
                    .containsExactly(elsewhere.toString(), one.toString());
        }
        api.post("/api/documents/discard", Map.of("documents", List.of(one)));
        assertThat(api.get("/api/files/{id}/bundles", file).<List<Integer>>at("$[*].gone"))
                .as("the other one holds no paper of this file any more")
                .containsExactly(1);
        assertThat(api.send(HttpMethod.DELETE, "/api/bundles/{id}", null, bundle)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void whoMayNotSeeAPaperKnowsNothingOfItsBundlesAndCopiesAndWhoSeesNoMarksGetsNone() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("patient", "Bundlehidden", null, "Therapy");
        UUID hidden = api.fileNewPaper(file, "clearance", LocalDate.now().minusDays(2));
        UUID open = read(api, file, LETTER);
        api.post("/api/bundles", Map.of("name", "Secret", "documents", List.of(hidden)));
        api.post("/api/bundles", Map.of("name", "Both", "documents", List.of(hidden, open)));
        UUID copy = draft(api, hidden, "A doctor", false, false, true).id("$[0].id");
        give(api, copy, false);

        Api blind = practice.colleague("Therapy", false, true);
        Api.Answer bundles = blind.get("/api/files/{id}/bundles", file);
        assertThat(bundles.<List<String>>at("$[*].name")).containsExactly("Both");
        assertThat(bundles.<Integer>at("$[0].gone"))
                .as("hidden ones are not counted")
                .isZero();
        assertThat(bundles.<List<?>>at("$[0].papers")).hasSize(1);
        assertThat(blind.get("/api/files/{id}/copies", file).<List<?>>at("$")).isEmpty();
        assertThat(blind.get("/api/copies-out/{id}/content", copy).status()).isEqualTo(404);
        assertThat(blind.get("/api/files/{id}/trail", file).body()).doesNotContain("Secret", "A doctor");

        put(api, open, List.of(mark(1, "NOTE", "Only for us")));
        UUID marked = draft(api, open, "A doctor", true, false, true).id("$[0].id");
        give(api, marked, false);
        Api markless = practice.signedIn(NewAccount.colleague(
                        TestPractice.newAddress(), "Dilan Ozgune", null, true, true)
                .seeing(new Scope(Reach.EVERYBODY, null, Set.of(), true, Set.of(), Set.of(), true, Marking.NOTHING)));
        assertThat(draft(markless, open, "A doctor", true, false, true).status())
                .isEqualTo(403);
        assertThat(draft(markless, open, "A doctor", false, false, true).status())
                .isEqualTo(201);
        assertThat(markless.get("/api/copies-out/{id}/content", marked).status())
                .isEqualTo(403);
    }

    @Test
    void nothingOfADestroyedPaperStaysBehindInItsCopies() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Destroyed", null);
        UUID paper = read(api, file, LETTER);
        cover(api, paper, SECRET);
        UUID copy = draft(api, paper, "Hallam Insurance", false, false, true).id("$[0].id");
        give(api, copy, false);
        api.get("/api/documents/{id}/versions/1/content", paper);
        api.post("/api/documents/discard", Map.of("documents", List.of(paper)));
        assertThat(api.post("/api/documents/destroy", Map.of("documents", List.of(paper), "reason", "kept long enough"))
                        .status())
                .isLessThan(300);
        assertThat(api.get("/api/copies-out/{id}/content", copy).status()).isEqualTo(404);
        assertThat(api.get("/api/files/{id}/copies", file).<List<?>>at("$")).isEmpty();
    }
}
