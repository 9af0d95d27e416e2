package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.CoverCode;
import app.denfold.paper.codes.CoverSheet;
import app.denfold.server.reading.PaperRead;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** What is read on papers, what is proposed for them, and how stacks become papers. */
@ServerTest
class ArrivalsReadTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static UUID drop(Api api, String name, byte[] bytes) throws Exception {
        return api.upload("/api/arrivals", name, bytes, Map.of()).id("$.id");
    }

    private static UUID dropAndRead(Api api, String name, byte[] bytes) throws Exception {
        UUID id = drop(api, name, bytes);
        await().until(() -> isRead(api, id));
        return id;
    }

    private static boolean isRead(Api api, UUID id) throws Exception {
        List<Object> unread = api.get("/api/arrivals").at("$[?(@.id=='" + id + "')].reading");
        return unread.isEmpty();
    }

    private static List<String> waiting(Api api, String fileName, String field) throws Exception {
        return api.get("/api/arrivals").at("$[?(@.fileName=='" + fileName + "')]." + field);
    }

    private static int version(Api api, UUID id) throws Exception {
        List<Integer> found = api.get("/api/arrivals").at("$[?(@.id=='" + id + "')].version");
        return found.get(0);
    }

    private static byte[] pages(String... texts) throws Exception {
        return Papers.pages(List.of(texts));
    }

    /** A stack as a scanner makes it: the given PDFs one behind the other. */
    private static byte[] stack(List<byte[]> papers) throws Exception {
        return Papers.merged(papers);
    }

    @Test
    void personTypeAndDateAreProposedWithTheirReasons() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Proposalson", null);
        String number = api.get("/api/files/{id}", file).at("$.number");
        UUID id = dropAndRead(
                api,
                "scan_p1.pdf",
                pages("First aid certificate | This certifies that Tamsin Proposalson, born 9 March 1994, took part."
                        + " | Issued " + TODAY.minusDays(20)));
        Api.Answer detail = api.get("/api/arrivals/{id}", id);
        assertThat(detail.<String>at("$.proposals.persons[0].number")).isEqualTo(number);
        assertThat(detail.<Boolean>at("$.proposals.persons[0].preselected")).isTrue();
        assertThat(detail.<String>at("$.proposals.persons[0].reason"))
                .isEqualTo("the name in the text; the birth date in the text");
        assertThat(detail.<String>at("$.proposals.types[0].code")).isEqualTo("first-aid");
        assertThat(detail.<String>at("$.proposals.types[0].reason")).contains("at its head");
        assertThat(detail.<String>at("$.proposals.documentDate[0].day"))
                .isEqualTo(TODAY.minusDays(20).toString());
        // what is proposed is kept right after the reading
        await().untilAsserted(() ->
                assertThat(waiting(api, "scan_p1.pdf", "personName")).containsExactly("Tamsin Proposalson"));
        assertThat(waiting(api, "scan_p1.pdf", "typeLabel")).containsExactly("First aid certificate");
    }

    @Test
    void aFormerNameAndAnIdentifierTellWhoseThePaperIs() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind", "employee", "givenName", "Ronja", "familyName", "Nowmarried", "birthDate", "1991-02-03"));
        person.put("activeFrom", TODAY.minusDays(90).toString());
        person.put("formerNames", List.of("Beforehand"));
        person.put("identifiers", List.of("HM 4471-0932"));
        UUID file = api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                .id("$.id");
        person.put("identifiers", List.of("12"));
        assertThat(api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                        .status())
                .isEqualTo(422);

        UUID byName = dropAndRead(
                api, "former.pdf", pages("Certificate for Ronja Beforehand, born 3 February 1991, who took part."));
        Api.Answer detail = api.get("/api/arrivals/{id}", byName);
        assertThat(detail.<String>at("$.proposals.persons[0].fileId")).isEqualTo(file.toString());
        assertThat(detail.<String>at("$.proposals.persons[0].reason")).contains("former name");

        UUID byNumber = dropAndRead(
                api, "number.pdf", pages("Statement about the insured, member HM4471 0932, for the past year."));
        Api.Answer numbered = api.get("/api/arrivals/{id}", byNumber);
        assertThat(numbered.<String>at("$.proposals.persons[0].fileId")).isEqualTo(file.toString());
        assertThat(numbered.<String>at("$.proposals.persons[0].reason"))
                .contains("identifier ending in 932")
                .doesNotContain("4471");
    }

    @Test
    void twoPeopleOfOneNameAreBothShownAndNoneIsChosen() throws Exception {
        Api api = practice.administrator();
        api.newEmployee("Twinname", null);
        api.newEmployee("Twinname", null);
        UUID id = dropAndRead(api, "scan_p2.pdf", pages("A letter for Tamsin Twinname, without anything else in it."));
        Api.Answer detail = api.get("/api/arrivals/{id}", id);
        assertThat(detail.<List<Boolean>>at("$.proposals.persons[*].preselected"))
                .containsExactly(false, false);
        assertThat(waiting(api, "scan_p2.pdf", "personName")).isEmpty();
    }

    private static Map<String, Object> boatLicence(Map<String, Object> secondField) {
        Map<String, Object> type = new HashMap<>(
                Map.of("version", 0, "label", "Boat licence", "section", "safety", "validity", Map.of("rule", "open")));
        type.putAll(Map.of(
                "namingPattern",
                "{type} {field Number}, {field Class}, {document date}",
                "signers",
                List.of(),
                "needsReview",
                false,
                "sensitive",
                false,
                "synonyms",
                List.of()));
        type.put(
                "fields",
                List.of(Map.of("name", "Number", "found", "AFTER_WORDS", "sign", "Licence no."), secondField));
        return type;
    }

    @Test
    void fieldsOfATypeAreFoundAndStandInTheName() throws Exception {
        Api api = practice.administrator();
        String address = "/api/set-up/document-types/boat-licence";
        for (Map<String, Object> wrong : List.<Map<String, Object>>of(
                Map.of("name", "Class", "found", "BY_SHAPE", "sign", "["),
                Map.of("name", "number", "found", "BY_HAND", "sign", ""),
                Map.of("name", "Kind", "found", "BY_HAND", "sign", ""))) {
            assertThat(api.send(HttpMethod.PUT, address, boatLicence(wrong)).status())
                    .as(wrong.toString())
                    .isEqualTo(422);
        }
        Map<String, Object> inForm = Map.of("name", "Class", "found", "IN_FORM", "sign", "class");
        assertThat(api.send(HttpMethod.PUT, address, boatLicence(inForm)).status())
                .isEqualTo(204);
        UUID id = dropAndRead(
                api, "boat.pdf", Papers.form("Licence no. B 7731-2 for inland waters and the lake", "class", "Sail"));
        Api.Answer detail = api.get("/api/arrivals/{id}", id);
        String found = "$.proposals.fields[?(@.type=='boat-licence' && @.name=='%s')].value";
        assertThat(detail.<List<String>>at(found.formatted("Number")).get(0)).startsWith("B 7731-2");
        assertThat(detail.<List<String>>at(found.formatted("Class"))).containsExactly("Sail");

        UUID file = api.newEmployee("Sailor", null);
        Map<String, Object> details = new HashMap<>(Api.details(file, "boat-licence", TODAY));
        details.put("fields", Map.of("Colour", "red"));
        assertThat(api.post("/api/arrivals/{id}/preview", details, id).status()).isEqualTo(422);
        details.put("fields", Map.of("Number", "B 7731-2", "Class", "Sail", "empty", " "));
        Api.Answer preview = api.post("/api/arrivals/{id}/preview", details, id);
        assertThat(preview.<String>at("$.name")).isEqualTo("Boat licence B 7731-2, Sail, " + TODAY);
        UUID document = api.post(
                        "/api/arrivals/{id}/filing", Map.of("version", version(api, id), "details", details), id)
                .id("$.documentId");
        Api.Answer kept = api.get("/api/documents/{id}", document);
        assertThat(kept.<Map<String, String>>at("$.fields"))
                .containsOnly(Map.entry("Number", "B 7731-2"), Map.entry("Class", "Sail"));
        assertThat(kept.<String>at("$.name")).isEqualTo("Boat licence B 7731-2, Sail, " + TODAY);
    }

    @Test
    void filingTeachesTheTypeAndTakingBackForgetsIt() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Teacher", null);
        String words = "Quarzlampe Zitrone Wolkenbank Kieselgur delivered in crates of twelve, second paper of ";
        List<UUID> taught = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            UUID id = dropAndRead(api, "teach" + i + ".pdf", pages(words + i + UUID.randomUUID()));
            assertThat(api.file(id, file, "handbook", TODAY).status()).isEqualTo(200);
            taught.add(id);
        }
        UUID id = dropAndRead(api, "taught.pdf", pages(words + "another"));
        Api.Answer proposed = api.get("/api/arrivals/{id}", id);
        assertThat(proposed.<String>at("$.proposals.types[0].code")).isEqualTo("handbook");
        assertThat(proposed.<String>at("$.proposals.types[0].reason")).matches("much like \\d+ papers filed as one");
        for (UUID paper : taught) {
            assertThat(api.post("/api/arrivals/undo-filing", Map.of("papers", List.of(paper)))
                            .status())
                    .isEqualTo(204);
        }
        assertThat(api.get("/api/arrivals/{id}", id).<List<String>>at("$.proposals.types[*].reason"))
                .noneMatch(r -> r.contains("much like"));
    }

    @Test
    void aStackWithCoverSheetsBecomesPapersWithPersonAndType() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Stacked", null);
        String number = api.get("/api/files/{id}", file).at("$.number");
        byte[] cover =
                api.get("/api/cover-sheets?fileId=" + file + "&type=first-aid").bytes();
        byte[] other = CoverSheet.pdf(
                List.of(new CoverSheet.Sheet(new CoverCode(null, "letter").written(), List.of("Letter"))));
        UUID id = drop(
                api,
                "stack1.pdf",
                stack(List.of(cover, pages("certificate page one", "page two"), other, pages("a letter"))));
        await().until(() -> waiting(api, "stack1.pdf", "id").size() == 2);
        Api.Answer list = api.get("/api/arrivals");
        assertThat(list.<List<String>>at("$[?(@.fileName=='stack1.pdf')].begins"))
                .containsExactly(
                        "new document: cover sheet for " + number + ", first aid",
                        "new document: cover sheet for " + number + ", letter");
        assertThat(list.<List<String>>at("$[?(@.fileName=='stack1.pdf')].personName"))
                .containsExactly("Tamsin Stacked", "Tamsin Stacked");
        assertThat(list.<List<Integer>>at("$[?(@.fileName=='stack1.pdf')].pages[*].page"))
                .containsExactly(2, 3, 5);
        List<String> ids = list.at("$[?(@.fileName=='stack1.pdf')].id");
        UUID first = UUID.fromString(ids.get(0));
        assertThat(api.get("/api/arrivals/{id}", first).<List<Integer>>at("$.leftOut[*].page"))
                .containsExactly(1, 4);

        UUID document = api.file(first, file, "first-aid", TODAY).id("$.documentId");
        Api.Answer filed = api.get("/api/documents/{id}", document);
        assertThat(filed.<Integer>at("$.versions[0].pages")).isEqualTo(2);
        assertThat(filed.<String>at("$.source")).contains("pages 2, 3 of “stack1.pdf”");
        assertThat(api.post("/api/arrivals/{id}/undo-pages", null, first).status())
                .isEqualTo(409);
        assertThat(id).isNotNull();
    }

    @Test
    void pagesAreSplitJoinedTurnedDroppedAndEveryStepIsUndone() throws Exception {
        Api api = practice.administrator();
        UUID id = dropAndRead(api, "edit1.pdf", pages("one", "two", "three", "four"));
        UUID second = api.post("/api/arrivals/{id}/split", Map.of("version", version(api, id), "after", 1), id)
                .id("$.id");
        assertThat(shown(api, id)).containsExactly(1);
        assertThat(shown(api, second)).containsExactly(2, 3, 4);
        List<Map<String, Object>> pages = api.get("/api/arrivals").at("$[?(@.id=='" + second + "')].pages[*]");
        List<Map<String, Object>> turned = List.of(
                Map.of("sha256", pages.get(2).get("sha256"), "page", 4, "turn", 90),
                Map.of("sha256", pages.get(0).get("sha256"), "page", 2, "turn", 0));
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/arrivals/{id}/pages",
                                Map.of("version", version(api, second), "pages", turned, "words", "dropped page 3"),
                                second)
                        .status())
                .isEqualTo(204);
        assertThat(shown(api, second)).containsExactly(4, 2);
        assertThat(api.get("/api/arrivals/{id}", second).<List<Integer>>at("$.leftOut[*].page"))
                .containsExactly(3);
        assertThat(api.post(
                                "/api/arrivals/{id}/move-page",
                                Map.of("version", version(api, second), "position", 1, "to", id),
                                second)
                        .status())
                .isEqualTo(204);
        assertThat(shown(api, id)).containsExactly(1, 4);
        assertThat(api.post("/api/arrivals/{id}/join", Map.of("version", version(api, second), "with", id), second)
                        .status())
                .isEqualTo(204);
        assertThat(shown(api, id)).containsExactly(1, 4, 2);
        assertThat(shown(api, second)).isEmpty();
        for (String undone : List.of("joined", "moved page 1", "dropped page 3", "split after page 1")) {
            assertThat(api.post("/api/arrivals/{id}/undo-pages", null, id).<String>at("$.words"))
                    .contains(undone);
        }
        assertThat(shown(api, id)).containsExactly(1, 2, 3, 4);
        assertThat(api.post("/api/arrivals/{id}/undo-pages", null, id).status()).isEqualTo(409);
    }

    private static List<Integer> shown(Api api, UUID id) throws Exception {
        return api.get("/api/arrivals").at("$[?(@.id=='" + id + "')].pages[*].page");
    }

    @Test
    void badPageChangesAreRefusedAndChangeNothing() throws Exception {
        Api api = practice.administrator();
        UUID id = dropAndRead(api, "edit2.pdf", pages("one", "two"));
        int version = version(api, id);
        assertThat(api.post("/api/arrivals/{id}/split", Map.of("version", version, "after", 2), id)
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/arrivals/{id}/split", Map.of("version", version + 7, "after", 1), id)
                        .status())
                .isEqualTo(409);
        assertThat(api.post("/api/arrivals/{id}/join", Map.of("version", version, "with", id), id)
                        .status())
                .isEqualTo(422);
        Map<String, Object> foreign = Map.of("sha256", "0".repeat(64), "page", 1, "turn", 0);
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/arrivals/{id}/pages",
                                Map.of("version", version, "pages", List.of(foreign), "words", "x"),
                                id)
                        .status())
                .isEqualTo(422);
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/arrivals/{id}/pages",
                                Map.of("version", version, "pages", List.of(), "words", "x"),
                                id)
                        .status())
                .isEqualTo(422);
        assertThat(shown(api, id)).containsExactly(1, 2);
        assertThat(practice.colleague(null, true, false)
                        .post("/api/arrivals/{id}/split", Map.of("version", version, "after", 1), id)
                        .status())
                .isEqualTo(403);
    }

    @Test
    void theSameBytesAndThePagesScannedAgainAreToldAsDuplicates() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Duplicate", null);
        String text = "Agreement about the boarding of the horse Tansy in box seven, with all that belongs to it";
        byte[] bytes = pages(text);
        UUID filed = dropAndRead(api, "first.pdf", bytes);
        UUID document = api.file(filed, file, "letter", TODAY).id("$.documentId");
        UUID again = dropAndRead(api, "again.pdf", bytes);
        Api.Answer same = api.get("/api/arrivals/{id}", again);
        assertThat(same.<String>at("$.like[0].words")).isEqualTo("the same file, filed already");
        assertThat(same.id("$.like[0].documentId")).isEqualTo(document);
        // a form that many people fill in looks the same each time
        String sha256 = jdbc.sql("select sha256 from arrival where id = :id")
                .param("id", filed)
                .query(String.class)
                .single();
        jdbc.sql("""
                        insert into content (sha256, size, media_type, pages, stored_at, destroyed_at)
                        select md5(n::text) || md5(n::text), size, media_type, pages, stored_at, now()
                        from content, generate_series(1, 200) n where sha256 = :sha256
                        """).param("sha256", sha256).update();
        jdbc.sql("""
                        insert into paper_page (sha256, page, turn, text, text_from, codes, blank, perceptual_hash, form, boxes)
                        select md5(n::text) || md5(n::text), page, turn, 'Another letter of person ' || n, text_from, codes,
                          blank, perceptual_hash, form, boxes
                        from paper_page, generate_series(1, 200) n where sha256 = :sha256
                        """).param("sha256", sha256).update();
        UUID rescanned = dropAndRead(api, "rescanned.pdf", pages(text + " "));
        assertThat(api.get("/api/arrivals/{id}", rescanned).<List<String>>at("$.like[*].words"))
                .contains("the same pages, scanned again, filed already");
        UUID other = dropAndRead(api, "other.pdf", pages("Delivery of oats and hay for the month of May to the yard"));
        assertThat(api.get("/api/arrivals/{id}", other).<List<String>>at("$.like[*].words"))
                .isEmpty();
    }

    @Test
    void aColleagueSeesWhatAnotherHasOpenAndNobodyFilesItTwice() throws Exception {
        Api ottilie = practice.administrator();
        Api colleague = practice.colleague(null, true, true);
        UUID id = drop(ottilie, "open.pdf", pages("open at one desk"));
        assertThat(ottilie.post("/api/arrivals/{id}/presence", null, id).status())
                .isEqualTo(204);
        assertThat(waiting(colleague, "open.pdf", "openWith")).hasSize(1);
        assertThat(waiting(ottilie, "open.pdf", "openWith")).isEmpty();
        UUID file = ottilie.newEmployee("Opened", null);
        int version = version(ottilie, id);
        Map<String, Object> body = Map.of("version", version, "details", Api.details(file, "letter", TODAY));
        assertThat(colleague.post("/api/arrivals/{id}/filing", body, id).status())
                .isEqualTo(200);
        assertThat(ottilie.post("/api/arrivals/{id}/filing", body, id).status()).isEqualTo(409);
    }

    @Test
    void severalPapersTakeTheSameDetailsOrNoneDoes() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Several", null);
        List<Map<String, Object>> chosen = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            chosen.add(Map.of("id", drop(api, "many" + i + ".pdf", pages("paper " + i)), "version", 0));
        }
        List<Map<String, Object>> stale = new ArrayList<>(chosen.subList(0, 2));
        stale.add(Map.of("id", chosen.get(2).get("id"), "version", 9));
        Map<String, Object> details = Api.details(file, "letter", TODAY);
        assertThat(api.post("/api/arrivals/filing", Map.of("papers", stale, "details", details))
                        .status())
                .isEqualTo(409);
        assertThat(waiting(api, "many0.pdf", "id")).hasSize(1);
        assertThat(api.post("/api/arrivals/filing", Map.of("papers", chosen, "details", details))
                        .<List<String>>at("$[*].name"))
                .hasSize(3)
                .doesNotHaveDuplicates();
    }

    @Test
    void aLockedPdfGoesOnOnceItsPasswordIsGiven() throws Exception {
        Api api = practice.administrator();
        UUID id = drop(api, "locked-1.pdf", Papers.lockedPdf());
        assertThat(api.post("/api/arrivals/{id}/unlock", Map.of("password", "guess"), id)
                        .status())
                .isEqualTo(422);
        assertThat(waiting(api, "locked-1.pdf", "state")).containsExactly("SET_ASIDE");
        assertThat(api.post("/api/arrivals/{id}/unlock", Map.of("password", "user"), id)
                        .status())
                .isEqualTo(204);
        assertThat(waiting(api, "locked-1.pdf", "state")).containsExactly("WAITING");
        assertThat(shown(api, id)).containsExactly(1);
    }

    @Autowired
    JdbcClient jdbc;

    @Autowired
    ApplicationEventPublisher events;

    @Autowired
    TransactionTemplate transactions;

    @Test
    void aPaperThatCouldNotBeReadToItsEndIsSetAsideWithTheReasonAndCanBeTakenUpAgain() throws Exception {
        Api api = practice.administrator();
        UUID id = dropAndRead(api, "half-read.pdf", pages("one " + UUID.randomUUID(), "two"));
        List<String> hashes = api.get("/api/arrivals").at("$[?(@.id=='" + id + "')].pages[*].sha256");
        String sha256 = hashes.get(0);
        jdbc.sql("delete from paper_page where sha256 = ? and page = 2")
                .param(sha256)
                .update();
        jdbc.sql("update paper_reading set state = 'FAILED', reason = 'reading it broke off' where sha256 = ?")
                .param(sha256)
                .update();
        transactions.executeWithoutResult(t -> events.publishEvent(new PaperRead(sha256)));
        await().until(() -> waiting(api, "half-read.pdf", "state").contains("SET_ASIDE"));
        assertThat(waiting(api, "half-read.pdf", "reason"))
                .containsExactly("It could not be read to its end: reading it broke off.");
        assertThat(api.post("/api/arrivals/{id}/take-up", null, id).status()).isEqualTo(204);
        assertThat(shown(api, id)).containsExactly(1, 2);
    }
}
