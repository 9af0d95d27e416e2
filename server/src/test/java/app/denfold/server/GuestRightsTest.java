package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** What guests may by file and section, until a day; what is not theirs leaves no trace. */
@ServerTest
class GuestRightsTest {

    private static final String PASSWORD = "a long enough password";

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private Api api;
    private UUID file;
    private UUID other;
    private String email;

    @BeforeEach
    void files() throws Exception {
        api = practice.administrator();
        file = api.newEmployee("Guestrights", null);
        other = api.newEmployee("Guestrightsother", null);
        email = TestPractice.newAddress();
    }

    private static Map<String, Object> rights(
            List<String> inFile, Map<String, List<String>> sections, LocalDate until) {
        Map<String, Object> rights = new HashMap<>();
        rights.put("inFile", inFile);
        rights.put(
                "inSections",
                sections.entrySet().stream()
                        .map(e -> Map.of("section", e.getKey(), "deeds", e.getValue()))
                        .toList());
        rights.put("until", until == null ? null : until.toString());
        return rights;
    }

    private Api.Answer invite(List<UUID> files, Map<String, Object> rights) throws Exception {
        return api.post(
                "/api/guests",
                Map.of("name", "Ruth Guest", "email", email, "relation", "guardian", "files", files, "rights", rights));
    }

    private Api comeIn() throws Exception {
        return Api.nobody(mvc).begin("/api/invitations/" + TestMail.linkTo(email), Map.of("password", PASSWORD));
    }

    private UUID filed(String type, String words) throws Exception {
        UUID arrival = api.upload("/api/arrivals", type + ".pdf", Papers.pdf(words), Map.of())
                .id("$.id");
        return api.file(arrival, file, type, LocalDate.of(2026, 5, 4)).id("$.documentId");
    }

    private static List<String> types(Api guest) throws Exception {
        return guest.get("/api/portal").at("$.shared[*].typeLabel");
    }

    @Test
    void oneMailWithOneKeyLeadsToTwoPeopleAndALinkIsUsedOnce() throws Exception {
        UUID account = invite(List.of(file, other), rights(List.of("ADD"), Map.of(), null))
                .id("$.accountId");
        String link = TestMail.linkTo(email);
        Api guest = comeIn();
        assertThat(guest.get("/api/portal").<List<String>>at("$.people[*].fileId"))
                .containsExactlyInAnyOrder(file.toString(), other.toString());
        assertThat(Api.nobody(mvc)
                        .post("/api/invitations/" + link, Map.of("password", PASSWORD))
                        .<String>at("$.code"))
                .isEqualTo("link-used");
        UUID third = api.newEmployee("Guestrightsthird", null);
        assertThat(invite(List.of(third), rights(List.of("ADD"), Map.of(), null))
                        .id("$.accountId"))
                .isEqualTo(account);
        TestMail.waitFor(email, 2);
        assertThat(TestMail.to(email).get(1)).contains("Sign in as before").doesNotContain("/invitation/");
        assertThat(invite(List.of(third), rights(List.of("ADD"), Map.of(), null))
                        .<String>at("$.code"))
                .isEqualTo("guest-already");
        assertThat(api.get("/api/guests").<List<String>>at("$[?(@.accountId=='" + account + "')].files[*].fileId"))
                .hasSize(3);
    }

    @Test
    void aSectionShowsItsSettledPapersAndNothingElse() throws Exception {
        filed("passport", "A passport about horses");
        filed("letter", "A letter with a secret word: wisteria");
        String section = api.get("/api/document-types")
                .<List<String>>at("$[?(@.code=='passport')].section")
                .get(0);
        UUID account = invite(List.of(file), rights(List.of(), Map.of(section, List.of("SEE")), null))
                .id("$.accountId");
        Api guest = comeIn();
        Api.Answer portal = guest.get("/api/portal");
        List<String> seen = portal.at("$.shared[*].documentId");
        String letterSection = api.get("/api/document-types")
                .<List<String>>at("$[?(@.code=='letter')].section")
                .get(0);
        assertThat(letterSection).isNotEqualTo(section);
        assertThat(seen).hasSize(1);
        assertThat(guest.get("/api/portal/found?text=horses").<List<String>>at("$"))
                .as("its words may not be read yet, its name is")
                .isSubsetOf(seen);
        assertThat(guest.get("/api/portal/found?text=wisteria").<List<String>>at("$"))
                .isEmpty();
        assertThat(guest.get("/api/portal/found?text=letter").<List<String>>at("$"))
                .isEmpty();
        assertThat(guest.post(
                                "/api/portal/papers",
                                Map.of("fileId", file, "upload", guest.sent("a.pdf", Papers.pdf("a"))))
                        .status())
                .as("he may look only")
                .isEqualTo(403);
        assertThat(api.get("/api/guests/{id}/portal", account).<List<String>>at("$.shared[*].documentId"))
                .isEqualTo(seen);

        String paper = seen.get(0);
        assertThat(portal.<List<Boolean>>at("$.shared[*].fresh"))
                .as("at the first visit what one sees by right is not news")
                .containsExactly(false);
        api.post("/api/documents/{id}/shares", Map.of("accountId", account), paper);
        assertThat(guest.get("/api/portal").<List<Boolean>>at("$.shared[*].fresh"))
                .containsExactly(true);
        guest.post("/api/portal/documents/{id}/put-away", null, paper);
        assertThat(guest.get("/api/portal").<List<Boolean>>at("$.shared[*].fresh"))
                .containsExactly(false);
        List<String> names = new ArrayList<>();
        Api.Answer all = guest.streamed("/api/portal/zip");
        assertThat(all.status()).as(all.body()).isEqualTo(200);
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(all.bytes()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).hasSize(1).allMatch(n -> n.endsWith(".pdf"));
        assertThat(api.get("/api/guests/{id}/trail", account).<List<String>>at("$[*].action"))
                .contains("downloaded");

        api.send(
                HttpMethod.PUT,
                "/api/files/{id}/guests/{guest}",
                Map.of("relation", "guardian", "rights", rights(List.of(), Map.of(), null)),
                file,
                account);
        api.send(HttpMethod.DELETE, "/api/documents/{id}/shares/{guest}", null, paper, account);
        assertThat(types(guest)).as("taken away at once, in the open session").isEmpty();
        assertThat(guest.get("/api/portal/documents/{id}/content", paper).status())
                .isEqualTo(404);
    }

    @Test
    void rightsEndWithTheirLastDayAndPastOnesAreRefused() throws Exception {
        LocalDate yesterday = LocalDate.now().minusDays(1);
        assertThat(invite(List.of(file), rights(List.of("ADD"), Map.of(), yesterday))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("until");
        UUID account = invite(
                        List.of(file),
                        rights(List.of("SEE", "ADD"), Map.of(), LocalDate.now().plusDays(40)))
                .id("$.accountId");
        Api guest = comeIn();
        assertThat(guest.get("/api/portal").<List<String>>at("$.people[*].until"))
                .hasSize(1);
        assertThat(api.get("/api/files/{id}/who-sees", file)
                        .<List<String>>at("$[?(@.isGuest==true)].why")
                        .get(0))
                .contains("until");
        api.send(HttpMethod.DELETE, "/api/files/{id}/guests/{guest}", null, file, account);
        assertThat(guest.get("/api/portal").<List<String>>at("$.people[*]")).isEmpty();
    }

    @Test
    void fivePhotosBecomeTwoPapersAndOneThatIsNoPictureIsNamed() throws Exception {
        invite(List.of(file), rights(List.of("ADD", "REMOVE"), Map.of(), null));
        Api guest = comeIn();
        List<String> photos = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            photos.add(guest.sent("photo " + i + ".png", Papers.png()));
        }
        Api.Answer three = guest.post(
                "/api/portal/papers", Map.of("fileId", file, "upload", photos.get(0), "more", photos.subList(1, 3)));
        assertThat(three.status()).as(three.body()).isEqualTo(201);
        assertThat(guest.post(
                                "/api/portal/papers",
                                Map.of("fileId", file, "upload", photos.get(0), "more", photos.subList(1, 3)))
                        .id("$.id"))
                .as("asked again")
                .isEqualTo(three.id("$.id"));
        guest.post("/api/portal/papers", Map.of("fileId", file, "upload", photos.get(3), "more", photos.subList(4, 5)));
        assertThat(guest.get("/api/portal").<List<String>>at("$.sent[*].fileName"))
                .containsExactlyInAnyOrder("photo 0.pdf", "photo 3.pdf");
        assertThat(api.get("/api/arrivals").<List<Object>>at("$..[?(@.id=='" + three.id("$.id") + "')].pages[*]"))
                .hasSize(3);
        Api.Answer wrong = guest.post(
                "/api/portal/papers",
                Map.of(
                        "fileId",
                        file,
                        "upload",
                        guest.sent("one.png", Papers.png()),
                        "more",
                        List.of(guest.sent(
                                "memo.txt", "no picture".getBytes(java.nio.charset.StandardCharsets.UTF_8)))));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.<String>at("$.detail")).contains("memo.txt");
        UUID sent = three.id("$.id");
        assertThat(guest.send(HttpMethod.DELETE, "/api/portal/papers/{id}", null, sent)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void whoHasAFileOfHisOwnReadsItAsThePracticeAllows() throws Exception {
        filed("passport", "My own passport");
        String address = TestPractice.newAddress();
        Map<String, Object> scope = Map.of(
                "reach",
                "OWN_PEOPLE",
                "leads",
                List.of(),
                "seesSensitive",
                false,
                "seesSections",
                List.of(),
                "mayChange",
                true);
        api.post(
                "/api/set-up/accounts",
                Map.of(
                        "email",
                        address,
                        "name",
                        "Petra Own",
                        "role",
                        "COLLEAGUE",
                        "scope",
                        scope,
                        "post",
                        Map.of("ownFile", file)));
        Api petra = Api.nobody(mvc).begin("/api/invitations/" + TestMail.linkTo(address), Map.of("password", PASSWORD));
        assertThat(petra.get("/api/session").<Boolean>at("$.hasOwnFile")).isTrue();
        assertThat(types(petra)).hasSize(1);
        petra.post("/api/portal/messages", Map.of("fileId", file, "words", "Is my contract in?"));
        String guest = api.get("/api/files/{id}/messages", file).at("$[0].guestId");
        assertThat(api.post(
                                "/api/files/{id}/messages",
                                Map.of("accountId", guest, "words", "It is.", "papers", List.of()),
                                file)
                        .status())
                .isEqualTo(201);
        assertThat(petra.get("/api/portal/messages").<List<String>>at("$[0].messages[*].words"))
                .containsExactly("Is my contract in?", "It is.");
        Map<String, Object> none = Map.of("deeds", List.of());
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/practice/own-files", none)
                        .status())
                .isEqualTo(204);
        assertThat(types(petra)).isEmpty();
        api.send(
                HttpMethod.PUT,
                "/api/set-up/practice/own-files",
                Map.of("deeds", List.of("SEE", "ADD", "REMOVE", "SIGN")));
        assertThat(practice.colleague(null, false, true).get("/api/portal").<List<String>>at("$.people[*]"))
                .isEmpty();
    }

    @Test
    void messagesBelongToTheFileAndAreToldWithoutTheirContent() throws Exception {
        UUID paper = filed("passport", "A passport to be talked about");
        UUID account = invite(List.of(file, other), rights(List.of("ADD"), Map.of(), null))
                .id("$.accountId");
        Api guest = comeIn();
        assertThat(guest.post(
                                "/api/portal/messages",
                                Map.of("fileId", file, "words", "May she ride on Sunday? Violet."))
                        .status())
                .isEqualTo(201);
        UUID stranger = api.newEmployee("Guestrightsstranger", null);
        assertThat(guest.post("/api/portal/messages", Map.of("fileId", stranger, "words", "Hello"))
                        .status())
                .isEqualTo(404);
        assertThat(guest.post("/api/portal/messages", Map.of("fileId", file, "words", " "))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("words");
        UUID elsewhere = guest.sendToPractice(other, "of the other.pdf", Papers.pdf("About the other"))
                .id("$.id");
        assertThat(guest.post(
                                "/api/portal/messages",
                                Map.of("fileId", file, "words", "See this", "sent", List.of(elsewhere)))
                        .<String>at("$.problems[0].field"))
                .as("a paper about somebody else does not go with it")
                .isEqualTo("sent");
        String answered = "/api/files/{id}/messages";
        assertThat(api.get(answered, file).<List<String>>at("$[0].messages[*].words"))
                .containsExactly("May she ride on Sunday? Violet.");
        assertThat(api.get(answered, file).<List<Boolean>>at("$[0].messages[*].read"))
                .containsExactly(false);
        api.post("/api/files/{id}/messages/read", null, file);
        assertThat(guest.get("/api/portal/messages")
                        .<List<Boolean>>at("$[?(@.fileId=='" + file + "')].messages[0].read"))
                .containsExactly(true);
        assertThat(api.post(
                                answered,
                                Map.of("accountId", account, "words", "Yes, indigo.", "papers", List.of(paper)),
                                file)
                        .status())
                .isEqualTo(201);
        assertThat(guest.get("/api/portal").<List<String>>at("$.shared[*].documentId"))
                .containsExactly(paper.toString());
        assertThat(api.get(answered, other).<List<Object>>at("$[0].messages")).isEmpty();
        TestMail.waitFor(email, 2);
        assertThat(TestMail.to(email).get(1))
                .contains("has written you a message")
                .doesNotContain("indigo");
        UUID sent = guest.sendToPractice(file, "note.pdf", Papers.pdf("A note from the doctor"))
                .id("$.id");
        guest.post("/api/portal/messages", Map.of("fileId", file, "words", "Here it is", "sent", List.of(sent)));
        String last = "$[0].messages[2].papers[0]";
        assertThat(api.get(answered, file).<String>at(last + ".arrivalId")).isEqualTo(sent.toString());
        UUID note = api.file(sent, file, "passport", LocalDate.of(2026, 5, 4)).id("$.documentId");
        assertThat(api.get(answered, file).<String>at(last + ".documentId")).isEqualTo(note.toString());
        assertThat(guest.get("/api/portal/messages")
                        .<List<String>>at("$[?(@.fileId=='" + file + "')].messages[2].papers[*].name"))
                .containsExactly("note.pdf");
        assertThat(practice.colleague("Therapy", false, true)
                        .get(answered, file)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whoSeesNoSensitivePapersLearnsOfNoneThroughTheGuest() throws Exception {
        UUID secret = filed("referral", "A referral that few may see");
        UUID account =
                invite(List.of(file), rights(List.of("ADD"), Map.of(), null)).id("$.accountId");
        Api guest = comeIn();
        api.post(
                "/api/files/{id}/messages",
                Map.of("accountId", account, "words", "Please read this.", "papers", List.of(secret)),
                file);
        Api few = practice.colleague(null, false, true);
        String papers = "$[0].messages[0].papers";
        assertThat(api.get("/api/files/{id}/messages", file).<List<String>>at(papers))
                .hasSize(1);
        assertThat(few.get("/api/files/{id}/messages", file).<List<String>>at(papers))
                .isEmpty();
        assertThat(guest.get("/api/portal/messages").<List<String>>at(papers)).hasSize(1);
        String asSeen = "/api/guests/{id}/portal";
        assertThat(api.get(asSeen, account).<List<String>>at("$.shared[*].documentId"))
                .hasSize(1);
        assertThat(few.get(asSeen, account).<List<String>>at("$.shared[*].documentId"))
                .isEmpty();
        assertThat(few.get("/api/guests/{id}/trail", account).body()).doesNotContainIgnoringCase("referral");
        api.send(HttpMethod.DELETE, "/api/documents/{id}/shares/{guest}", null, secret, account);
        assertThat(guest.get("/api/portal/messages").<List<String>>at(papers))
                .as("no longer shared, its name is gone as well")
                .isEmpty();
    }

    @Test
    void whoSeesNoSensitivePapersIsNotToldWhatAGuestIsAskedForOrSent() throws Exception {
        UUID patient = api.newFile("patient", "Askedquietly", null, "Therapy");
        UUID account =
                invite(List.of(patient), rights(List.of("ADD"), Map.of(), null)).id("$.accountId");
        Api guest = comeIn();
        for (String requirement : List.of("clearance", "contact-sheet")) {
            assertThat(api.post(
                                    "/api/files/{id}/asks",
                                    Map.of("accountId", account, "checklist", "patients", "requirement", requirement),
                                    patient)
                            .status())
                    .isLessThan(300);
        }
        List<String> clearance = guest.get("/api/portal").at("$.asks[?(@.label==\"Physician's clearance\")].id");
        UUID asked = guest.post(
                        "/api/portal/papers",
                        Map.of(
                                "fileId",
                                patient,
                                "askId",
                                clearance.get(0),
                                "upload",
                                guest.sent("asked.pdf", Papers.pdf("Seen by the physician"))))
                .id("$.id");
        guest.post("/api/portal/messages", Map.of("fileId", patient, "words", "Here it is.", "sent", List.of(asked)));
        String with = "$[0].messages[0].papers";
        assertThat(api.get("/api/files/{id}/messages", patient).<List<Object>>at(with))
                .hasSize(1);
        assertThat(practice.colleague(null, false, true)
                        .get("/api/files/{id}/messages", patient)
                        .<List<Object>>at(with))
                .as("it waits as an answer to what few may know of")
                .isEmpty();
        UUID quiet = guest.sendToPractice(patient, "quiet.pdf", Papers.pdf("A physician's clearance"))
                .id("$.id");
        UUID plain = guest.sendToPractice(patient, "plain.pdf", Papers.pdf("An emergency contact sheet"))
                .id("$.id");
        api.file(quiet, patient, "clearance", LocalDate.of(2026, 5, 4));
        api.file(plain, patient, "contact-sheet", LocalDate.of(2026, 5, 4));
        guest.sendToPractice(patient, "waiting.pdf", Papers.pdf("Nobody knows yet"));
        Api few = practice.colleague(null, false, true);
        String asSeen = "/api/guests/{id}/portal";
        assertThat(api.get(asSeen, account).<List<String>>at("$.sent[*].fileName"))
                .containsExactlyInAnyOrder("asked.pdf", "quiet.pdf", "plain.pdf", "waiting.pdf");
        assertThat(few.get(asSeen, account).<List<String>>at("$.sent[*].fileName"))
                .containsExactlyInAnyOrder("plain.pdf", "waiting.pdf");
        assertThat(few.get(asSeen, account).body()).doesNotContainIgnoringCase("clearance");
    }
}
