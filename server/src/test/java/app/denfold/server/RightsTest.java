package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every address of the API, asked by everybody: the table of rights is right for each role; whoever belongs to another
 * team, and whoever sees no sensitive papers, gets nothing of them done by any address.
 */
@ServerTest
class RightsTest {

    private static final LocalDate TODAY = LocalDate.now();

    /** Asking these would end what the test asks with, or asks for no session at all. */
    private static final Set<String> ABOUT_SESSIONS =
            Set.of("/api/session", "/api/my-sessions/others", "/api/invitations/{token}", "/api/forgotten-password");

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

    private Api administrator;
    private Requests requests;

    private record Address(HttpMethod method, String pattern) {
        @Override
        public String toString() {
            return method + " " + pattern;
        }
    }

    @BeforeEach
    void describe() throws Exception {
        administrator = practice.administrator();
        requests = new Requests(
                new JsonMapper().readTree(administrator.get("/api/openapi").body()));
    }

    private List<Address> addresses() {
        List<Address> all = new ArrayList<>();
        for (var mapping : mappings.getHandlerMethods().keySet()) {
            for (String pattern : mapping.getPatternValues()) {
                for (RequestMethod method : mapping.getMethodsCondition().getMethods()) {
                    if (pattern.startsWith("/api/") && !ABOUT_SESSIONS.contains(pattern)) {
                        all.add(new Address(HttpMethod.valueOf(method.name()), pattern));
                    }
                }
            }
        }
        assertThat(all).hasSizeGreaterThan(180);
        return all;
    }

    private Api.Answer ask(Api who, Address address, UUID id) throws Exception {
        return who.send(
                address.method(),
                requests.path(address.pattern(), address.method(), id),
                requests.body(address.pattern(), address.method(), id));
    }

    /** Those that refuse somebody for what he is, before they look at what he asks. */
    private List<String> refusedTo(Api who, int status, String words) throws Exception {
        List<String> refused = new ArrayList<>();
        for (Address address : addresses()) {
            Api.Answer answer = ask(who, address, UUID.randomUUID());
            assertThat(answer.status()).as(address + " " + answer.body()).isNotEqualTo(500);
            if (answer.status() == status && answer.body().contains(words)) {
                refused.add(address.toString());
            }
        }
        return refused.stream().sorted().toList();
    }

    private static List<String> in(List<String> refused, String part) {
        return refused.stream().filter(a -> a.contains(part)).toList();
    }

    private List<String> all(String part) {
        return addresses().stream()
                .map(Address::toString)
                .filter(a -> a.contains(part))
                .sorted()
                .toList();
    }

    @Test
    void withoutASessionNothingIsAnsweredButWhatThePracticeIsCalledAndTheWayIn() throws Exception {
        List<String> refused = refusedTo(Api.nobody(mvc), 401, "Sign in first.");
        List<String> open =
                all("/api/").stream().filter(a -> !refused.contains(a)).toList();
        assertThat(open)
                .isNotEmpty()
                .allMatch(a -> a.startsWith("GET /api/practice")
                        || a.contains("/api/beginning")
                        || a.contains(" /api/sign/")
                        || a.contains(" /api/linked-copies/")
                        || a.contains(" /api/told/")
                        || a.contains(" /api/calendar-feeds/")
                        || a.equals("POST /api/copies/check")
                        || a.contains(" /api/session/"));
    }

    @Test
    void aGuestReachesThePortalAlone() throws Exception {
        UUID file = administrator.newEmployee("Rightsguest", null);
        Api guest = practice.guestOf(administrator, file);
        List<String> refused = refusedTo(guest, 403, "Your account may not do this.");
        List<String> open =
                all("/api/").stream().filter(a -> !refused.contains(a)).toList();
        assertThat(open)
                .isNotEmpty()
                .allMatch(a -> a.contains("/api/portal")
                        || a.contains("/api/uploads")
                        || a.contains("/api/my-")
                        || a.contains(" /api/session/")
                        || a.contains("/api/beginning")
                        || a.contains(" /api/sign/")
                        || a.contains(" /api/linked-copies/")
                        || a.contains(" /api/told/")
                        || a.contains(" /api/calendar-feeds/")
                        || a.equals("POST /api/copies/check")
                        || a.startsWith("GET /api/practice"));
    }

    @Test
    void whoWorksHereSeesNobodyInThePortalSetsNothingUpAndChangesNothingWhenHeLooksOnly() throws Exception {
        Api looker = practice.colleague(null, true, false);
        List<String> setUp = refusedTo(looker, 403, "Only an administrator may do this.");
        assertThat(in(setUp, "/api/set-up")).isEqualTo(all("/api/set-up"));
        List<String> changes = refusedTo(looker, 403, "may look at files but not change them");
        assertThat(changes).hasSizeGreaterThan(60);
        assertThat(looker.get("/api/portal").<List<String>>at("$.people[*]"))
                .as("a portal of somebody without a file of his own")
                .isEmpty();

        Api colleague = practice.colleague(null, true, true);
        assertThat(refusedTo(colleague, 403, "Only an administrator may do this."))
                .isEqualTo(setUp);
        assertThat(refusedTo(colleague, 403, "may look at files but not change them"))
                .isEmpty();
        assertThat(refusedTo(administrator, 403, "Only an administrator")).isEmpty();
    }

    /** Whoever may know nothing of a person's papers gets nothing done with them, whatever he sends where. */
    @Test
    void whatOneMayNotSeeOneCannotChange() throws Exception {
        UUID file = administrator.newFile("patient", "Untouchable", null, "Therapy");
        UUID paper = administrator.fileNewPaper(file, sensitiveType(), TODAY.minusDays(2));
        String before = state(file, paper);
        List<String> done = new ArrayList<>();
        for (Map.Entry<String, Api> who : Map.of(
                        "of another team", practice.colleague("Stables", true, true),
                        "without sensitive papers", practice.colleague(null, false, true))
                .entrySet()) {
            for (Address address : addresses()) {
                boolean ofPaper = address.pattern().contains("/documents/")
                        || requests.names(address.pattern(), address.method(), "documents");
                boolean ofFile = address.pattern().contains("/files/")
                        || requests.names(address.pattern(), address.method(), "fileId");
                boolean hidden = ofPaper || ofFile && who.getKey().equals("of another team");
                if (!hidden || address.pattern().contains("/portal")) {
                    continue;
                }
                Api.Answer answer = ask(who.getValue(), address, ofPaper ? paper : file);
                boolean refused = answer.status() >= 400 && answer.status() < 500;
                boolean tellsOfNone =
                        address.method() == HttpMethod.GET || answer.body().equals("[]");
                if (!refused && !tellsOfNone || answer.body().contains("Untouchable")) {
                    done.add(who.getKey() + ": " + address + " " + answer.status() + " "
                            + answer.body()
                                    .substring(0, Math.min(200, answer.body().length())));
                }
            }
        }
        assertThat(done).isEmpty();
        assertThat(state(file, paper)).isEqualTo(before);
    }

    private String sensitiveType() throws Exception {
        String code = "untouchable-" + UUID.randomUUID().toString().substring(0, 6);
        Map<String, Object> details = Map.ofEntries(
                Map.entry("version", 0),
                Map.entry("label", code.toUpperCase(Locale.ROOT)),
                Map.entry("section", "health"),
                Map.entry("validity", Map.of("rule", "open")),
                Map.entry("namingPattern", "{type}"),
                Map.entry("needsReview", true),
                Map.entry("sensitive", true),
                Map.entry("synonyms", List.of()),
                Map.entry("signers", List.of()),
                Map.entry("fields", List.of()));
        administrator.send(HttpMethod.PUT, "/api/set-up/document-types/{code}", details, code);
        return code;
    }

    private String state(UUID file, UUID paper) throws Exception {
        return administrator.get("/api/documents/{id}", paper).body()
                + administrator.get("/api/files/{id}", file).body()
                + administrator.get("/api/files/{id}/shared", file).body()
                + administrator.get("/api/files/{id}/relations", file).body()
                + administrator.get("/api/documents/{id}/comments", paper).body()
                + administrator.get("/api/documents/{id}/hand-overs", paper).body();
    }
}
