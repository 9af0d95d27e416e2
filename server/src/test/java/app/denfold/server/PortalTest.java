package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

@ServerTest
class PortalTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

    private record Invited(String address, UUID accountId, Api guest) {}

    private Invited invite(Api api, UUID file) throws Exception {
        String address = TestPractice.newAddress();
        UUID account = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "Tamsin Korhola", "email", address, "relation", "the person"),
                        file)
                .id("$.accountId");
        String link = TestMail.linkTo(address);
        Api guest = Api.nobody(mvc).begin("/api/invitations/" + link, Map.of("password", "a long enough password"));
        return new Invited(address, account, guest);
    }

    @Test
    void aGuestSeesWhatIsAskedAndSharedAndSendsAPaperThatFillsItsSlot() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Invited", TestPractice.newAddress());
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(1));
        Invited invited = invite(api, file);
        api.post("/api/documents/{id}/shares", Map.of("accountId", invited.accountId()), document);
        api.post(
                "/api/files/{id}/asks",
                Map.of(
                        "accountId",
                        invited.accountId(),
                        "checklist",
                        "employees",
                        "requirement",
                        "handbook",
                        "words",
                        "The last page, signed."),
                file);
        Api.Answer portal = invited.guest().get("/api/portal");
        assertThat(portal.<List<String>>at("$.shared[*].documentId")).containsExactly(document.toString());
        assertThat(portal.<String>at("$.asks[0].label")).isEqualTo("Handbook receipt");
        assertThat(invited.guest()
                        .get("/api/portal/documents/{id}/content", document)
                        .bytes())
                .startsWith('%', 'P', 'D', 'F');
        assertThat(invited.guest()
                        .get("/api/portal/documents/{id}/pages/1", document)
                        .status())
                .isEqualTo(200);

        Map<String, Object> answer = Map.of(
                "fileId",
                file,
                "askId",
                portal.<String>at("$.asks[0].id"),
                "upload",
                invited.guest().sent("photo.png", Papers.png()));
        UUID sent = invited.guest().post("/api/portal/papers", answer).id("$.id");
        assertThat(invited.guest().post("/api/portal/papers", answer).id("$.id"))
                .as("asked again after a lost answer")
                .isEqualTo(sent);
        assertThat(invited.guest().get("/api/portal").<Boolean>at("$.asks[0].sent"))
                .isTrue();
        Api.Answer waiting = api.get("/api/arrivals");
        String mine = "$[?(@.id=='" + sent + "')]";
        assertThat(waiting.<List<String>>at(mine + ".source")).containsExactly("PORTAL");
        assertThat(waiting.<List<String>>at(mine + ".suggestedType")).containsExactly("handbook");
        api.file(sent, file, "handbook", TODAY);
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        assertThat(invited.guest().get("/api/portal").<List<String>>at("$.asks[*].label"))
                .isEmpty();
        List<String> trail = api.get("/api/files/{id}/trail", file).at("$[*].action");
        assertThat(trail)
                .containsSubsequence("filed", "received", "downloaded", "asked", "shared", "guest-invited", "filed");
    }

    @Test
    void anAskIsForOneGuestAndCanBeWithdrawn() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Asked", null);
        Invited asked = invite(api, file);
        Invited other = invite(api, file);
        Map<String, Object> ask = new HashMap<>(
                Map.of("accountId", asked.accountId(), "checklist", "employees", "requirement", "handbook"));
        assertThat(api.post("/api/files/{id}/asks", ask, file).status()).isEqualTo(201);
        assertThat(asked.guest().get("/api/portal").<List<Object>>at("$.asks")).hasSize(1);
        assertThat(other.guest().get("/api/portal").<List<Object>>at("$.asks")).isEmpty();
        ask.put("accountId", UUID.randomUUID());
        assertThat(api.post("/api/files/{id}/asks", ask, file).status())
                .as("of nobody's")
                .isEqualTo(422);
        Api.Answer shared = api.get("/api/files/{id}/shared", file);
        assertThat(shared.<String>at("$.asks[0].guestName")).isEqualTo("Tamsin Korhola");
        assertThat(api.post("/api/files/{id}/asks/{ask}/withdraw", null, file, shared.id("$.asks[0].id"))
                        .status())
                .isEqualTo(204);
        assertThat(asked.guest().get("/api/portal").<List<Object>>at("$.asks")).isEmpty();
    }

    @Test
    void whoIsWrittenToIsAskedInThePortalOnceHeIsAGuestAndNobodyElseIs() throws Exception {
        Api api = practice.administrator();
        String address = TestPractice.newAddress();
        UUID file = api.newEmployee("Chasedfirst", address);
        Invited other = invite(api, file);
        Api.Answer chased = api.post("/api/files/{id}/chase", Map.of("again", false), file);
        assertThat(chased.status()).as(chased.body()).isLessThan(300);
        assertThat(other.guest().get("/api/portal").<List<Object>>at("$.asks")).isEmpty();
        assertThat(api.get("/api/files/{id}/shared", file).<List<String>>at("$.asks[*].guestName"))
                .isNotEmpty()
                .containsOnly(address);
        Map<String, String> invitation = Map.of("name", "Tamsin Korhola", "email", address, "relation", "the person");
        assertThat(api.post("/api/files/{id}/guests", invitation, file).status())
                .isEqualTo(201);
        assertThat(api.get("/api/files/{id}/shared", file).<List<String>>at("$.asks[*].guestName"))
                .isNotEmpty()
                .containsOnly("Tamsin Korhola");
        assertThat(other.guest().get("/api/portal").<List<Object>>at("$.asks")).isEmpty();
    }

    @Test
    void aGuestsRightToAFileEndsAtOnceWithAllThatHangsOnIt() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Guestended", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(1));
        Invited invited = invite(api, file);
        api.post("/api/documents/{id}/shares", Map.of("accountId", invited.accountId()), document);
        assertThat(practice.colleague(null, true, false)
                        .send(HttpMethod.DELETE, "/api/files/{id}/guests/{a}", null, file, invited.accountId())
                        .status())
                .isEqualTo(403);
        assertThat(api.send(HttpMethod.DELETE, "/api/files/{id}/guests/{a}", null, file, invited.accountId())
                        .status())
                .isEqualTo(204);
        assertThat(invited.guest()
                        .get("/api/portal/documents/{id}/content", document)
                        .status())
                .isEqualTo(404);
        assertThat(invited.guest().get("/api/portal").body()).doesNotContain("Guestended", document.toString());
    }

    @Test
    void everyOtherAddressIsClosedToAGuest() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Guarded", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(1));
        UUID foreign = api.fileNewPaper(api.newEmployee("Foreign", null), "contract", TODAY.minusDays(1));
        Invited invited = invite(api, file);
        api.post("/api/documents/{id}/shares", Map.of("accountId", invited.accountId()), document);
        List<String> tried = new ArrayList<>();
        for (var mapping : mappings.getHandlerMethods().keySet()) {
            for (String pattern : mapping.getPatternValues()) {
                if (pattern.startsWith("/api/") && !isForGuests(pattern)) {
                    tryEveryMethod(
                            invited.guest(),
                            pattern,
                            mapping.getMethodsCondition().getMethods(),
                            file,
                            document,
                            tried);
                }
            }
        }
        assertThat(tried).hasSizeGreaterThan(35);
        Api guest = invited.guest();
        assertThat(guest.get("/api/portal/documents/{id}/content", foreign).status())
                .isEqualTo(404);
        assertThat(guest.get("/api/portal/documents/{id}/pages/1", foreign).status())
                .isEqualTo(404);
        assertThat(guest.sendToPractice(UUID.randomUUID(), "a.png", Papers.png())
                        .status())
                .isEqualTo(404);
        assertThat(guest.get("/actuator/env").status()).isIn(403, 404);
    }

    private static boolean isForGuests(String pattern) {
        return pattern.startsWith("/api/portal")
                || pattern.startsWith("/api/session")
                || pattern.equals("/api/beginning")
                || pattern.startsWith("/api/practice")
                || pattern.equals("/api/copies/check")
                || pattern.startsWith("/api/uploads")
                || pattern.startsWith("/api/my-")
                || pattern.startsWith("/api/sign/")
                || pattern.startsWith("/api/linked-copies/")
                || pattern.startsWith("/api/told/")
                || pattern.startsWith("/api/calendar-feeds/")
                || pattern.equals("/api/forgotten-password")
                || pattern.equals("/api/invitations/{token}");
    }

    private static void tryEveryMethod(
            Api guest,
            String pattern,
            java.util.Set<RequestMethod> methods,
            UUID file,
            UUID document,
            List<String> tried)
            throws Exception {
        String path = pattern.replace("{documentId}", document.toString())
                .replace("/files/{id}", "/files/" + file)
                .replace("{id}", document.toString())
                .replace("{fileId}", file.toString())
                .replace("{accountId}", UUID.randomUUID().toString())
                .replace("{askId}", UUID.randomUUID().toString())
                .replaceAll("\\{(turnId|questionId|paperId)}", UUID.randomUUID().toString())
                .replaceAll("\\{[a-z]+}", "1");
        for (RequestMethod method : methods.isEmpty() ? java.util.Set.of(RequestMethod.GET) : methods) {
            Api.Answer answer =
                    guest.send(HttpMethod.valueOf(method.name()), path, method == RequestMethod.GET ? null : "{}");
            assertThat(answer.status()).as(method + " " + path).isIn(403, 404);
            tried.add(method + " " + path);
        }
    }

    @Test
    void whatIsNoLongerSharedIsGoneAtOnce() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Withdrawn", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(1));
        Invited invited = invite(api, file);
        Map<String, Object> share = Map.of("accountId", invited.accountId());
        api.post("/api/documents/{id}/shares", share, document);
        assertThat(api.post("/api/documents/{id}/shares", share, document).status())
                .isEqualTo(409);
        api.send(HttpMethod.DELETE, "/api/documents/{id}/shares/{account}", null, document, invited.accountId());
        assertThat(invited.guest()
                        .get("/api/portal/documents/{id}/content", document)
                        .status())
                .isEqualTo(404);
        assertThat(invited.guest().get("/api/portal").<List<String>>at("$.shared[*].documentId"))
                .isEmpty();
    }

    @Test
    void aLinkWorksOnceAndNotForLongAndIsNotKept() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Linked", null);
        String address = TestPractice.newAddress();
        UUID account = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "A Guest", "email", address, "relation", "guardian"),
                        file)
                .id("$.accountId");
        String link = TestMail.linkTo(address);
        Api nobody = Api.nobody(mvc);
        assertThat(nobody.post("/api/invitations/{t}", Map.of("password", "short"), link)
                        .status())
                .isEqualTo(422);
        assertThat(nobody.post("/api/invitations/{t}", Map.of("password", "long enough now"), link)
                        .status())
                .isEqualTo(200);
        Api.Answer used = nobody.post("/api/invitations/{t}", Map.of("password", "long enough now"), link);
        assertThat(used.status()).isEqualTo(410);
        assertThat(used.<String>at("$.detail")).contains("used already");
        assertThat(nobody.get("/api/invitations/{t}", "nonsense").status()).isEqualTo(410);
        jdbc.sql("update one_time_link set used_at = null, expires_at = now() - interval '1 hour' where account_id = ?")
                .param(account)
                .update();
        assertThat(nobody.get("/api/invitations/{t}", link).<String>at("$.detail"))
                .contains("expired");
        assertThat(api.get("/api/files/{id}/notices", file).body()).doesNotContain(link);
        assertThat(jdbc.sql("select count(*) from notice where body like ?")
                        .param("%" + link + "%")
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void aPaperSentUnaskedHidesNothingOfWhatIsAskedFor() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Unasked", null);
        Invited invited = invite(api, file);
        api.post(
                "/api/files/{id}/asks",
                Map.of("accountId", invited.accountId(), "checklist", "employees", "requirement", "handbook"),
                file);
        invited.guest().sendToPractice(file, "photo.png", Papers.png());
        Api.Answer portal = invited.guest().get("/api/portal");
        assertThat(portal.status()).isEqualTo(200);
        assertThat(portal.<List<Boolean>>at("$.asks[*].sent")).containsExactly(false);
        assertThat(portal.<List<String>>at("$.sent[*].fileName")).containsExactly("photo.png");
    }

    @Test
    void aGuestTakesBackOnlyWhatHeSentAndNobodyFiled() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Takenback", null);
        Invited one = invite(api, file);
        Invited other = invite(api, file);
        UUID sent = one.guest().sendToPractice(file, "a.png", Papers.png()).id("$.id");
        assertThat(other.guest()
                        .send(HttpMethod.DELETE, "/api/portal/papers/{id}", null, sent)
                        .status())
                .isEqualTo(404);
        assertThat(one.guest()
                        .send(HttpMethod.DELETE, "/api/portal/papers/{id}", null, sent)
                        .status())
                .isEqualTo(204);
        UUID filed = one.guest().sendToPractice(file, "b.png", Papers.png()).id("$.id");
        api.file(filed, file, "letter", TODAY);
        assertThat(one.guest()
                        .send(HttpMethod.DELETE, "/api/portal/papers/{id}", null, filed)
                        .status())
                .isEqualTo(409);
    }
}
