package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.json.JsonMapper;

/**
 * What people do in a practice, one kind of act each, over and over. An act is noted only once it was acknowledged, with
 * what a query must answer from then on.
 */
final class PeopleAtWork {

    static final String ADMINISTRATOR = "ottilie@oakhollin.example";
    private static final String GUEST = "ruth.penhallow@post.example";
    private static final JsonMapper JSON = new JsonMapper();
    private static final LocalDate TODAY = LocalDate.now();

    final List<Kept> kept = new CopyOnWriteArrayList<>();
    final List<String> failures = new CopyOnWriteArrayList<>();
    final Map<String, AtomicInteger> acknowledged = new ConcurrentHashMap<>();
    final AtomicInteger ruleAsked = new AtomicInteger();
    final AtomicInteger ruleKept = new AtomicInteger();
    private final AtomicInteger numbers = new AtomicInteger();
    private final Map<String, String> types =
            Map.of("reviewed", "kept-reviewed", "signed", "kept-signed", "ruled", "kept-ruled");

    /** What a query answers once an act was acknowledged. */
    record Kept(String act, String query, String answer) {}

    /** @param as whose mail address it is done with */
    record Act(String as, Work work) {}

    interface Work {
        void once(HttpSession session) throws Exception;
    }

    List<Act> acts() {
        return List.of(
                new Act(ADMINISTRATOR, this::comment),
                new Act(ADMINISTRATOR, this::move),
                new Act(ADMINISTRATOR, this::discard),
                new Act(ADMINISTRATOR, this::accept),
                new Act(ADMINISTRATOR, this::sign),
                new Act(ADMINISTRATOR, this::merge),
                new Act(ADMINISTRATOR, this::changeRule),
                new Act(ADMINISTRATOR, this::waiveAndVisit),
                new Act(ADMINISTRATOR, this::handOver),
                new Act(GUEST, this::send));
    }

    String ruledType() {
        return types.get("ruled");
    }

    /** What is refused or breaks is a fault whenever it happens; that something is away is none after a kill. */
    private HttpResponse<String> done(HttpResponse<String> answer) {
        if (answer.statusCode() >= 400 && answer.statusCode() <= 500) {
            failures.add(answer.statusCode() + " " + answer.uri() + " " + answer.body());
        }
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
        return answer;
    }

    private String post(HttpSession session, String path, Map<String, ?> body) throws Exception {
        return done(session.post(path, JSON.writeValueAsString(body))).body();
    }

    private void stands(String act, String query, Object answer) {
        kept.add(new Kept(act, query, answer.toString()));
    }

    private void happened(String act) {
        acknowledged.computeIfAbsent(act, a -> new AtomicInteger()).incrementAndGet();
    }

    private static String line(String action, String column, String id) {
        return "select count(*) from audit_event where action = '" + action + "' and " + column + " = '" + id + "'";
    }

    void setUpTypes(HttpSession session) throws Exception {
        for (String name : types.keySet()) {
            saveType(session, name, 0, "Kept " + name);
        }
    }

    private void saveType(HttpSession session, String name, int version, String label) throws Exception {
        List<Map<String, String>> signers =
                name.equals("signed") ? List.of(Map.of("role", "director", "label", "Director")) : List.of();
        Map<String, Object> type = Map.of(
                "version",
                version,
                "label",
                label,
                "section",
                "safety",
                "validity",
                Map.of("rule", "open"),
                "namingPattern",
                "{type}, {document date}",
                "signers",
                signers,
                "needsReview",
                name.equals("reviewed"),
                "sensitive",
                false,
                "synonyms",
                List.of());
        done(session.put("/api/set-up/document-types/" + types.get(name), JSON.writeValueAsString(type)));
    }

    private String newFile(HttpSession session) throws Exception {
        return JsonPath.read(newFile(session, numbers.incrementAndGet()), "$.id");
    }

    private String newFile(HttpSession session, int number) throws Exception {
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                "Kept" + number,
                "team",
                "Stables",
                "birthDate",
                "1994-03-09",
                "facts",
                Map.of());
        return post(session, "/api/files", Map.of("person", person, "evenIfLike", true));
    }

    private String newPaper(HttpSession session, String file, String type) throws Exception {
        int number = numbers.incrementAndGet();
        String arrival = JsonPath.read(
                done(session.upload("/api/arrivals", "kept " + number + ".pdf", Papers.pdf("Kept number " + number)))
                        .body(),
                "$.id");
        stands("received", "select count(*) from arrival where id = '" + arrival + "'", 1);
        Map<String, Object> details = Map.of(
                "fileId", file, "type", type, "documentDate", TODAY.minusDays(1).toString());
        String document = JsonPath.read(
                post(session, "/api/arrivals/" + arrival + "/filing", Map.of("version", 0, "details", details)),
                "$.documentId");
        stands(
                "filed",
                "select count(*) from document_version where document_id = '" + document + "' and place = 0",
                1);
        stands("filed", line("filed", "document_id", document), 1);
        happened("filed");
        return document;
    }

    private void comment(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), "letter");
        for (int i = 0; i < 5; i++) {
            String words = "Kept comment " + numbers.incrementAndGet();
            post(session, "/api/documents/" + document + "/comments", Map.of("words", words, "mentioned", List.of()));
            stands("comment", "select count(*) from comment where words = '" + words + "'", 1);
            happened("comment");
        }
    }

    private void move(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), "letter");
        String target = newFile(session);
        post(session, "/api/documents/move", Map.of("documents", List.of(document), "fileId", target));
        stands("move", "select file_id from document where id = '" + document + "'", target);
        stands("move", line("moved-here", "document_id", document), 1);
        happened("move");
    }

    private void discard(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), "letter");
        post(session, "/api/documents/discard", Map.of("documents", List.of(document)));
        stands("discard", "select discarded_at is not null from document where id = '" + document + "'", "true");
        stands("discard", line("discarded", "document_id", document), 1);
        happened("discard");
    }

    private void accept(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), types.get("reviewed"));
        post(session, "/api/documents/accept", Map.of("documents", List.of(Map.of("id", document, "version", 1))));
        stands("accept", "select accepted_on is not null from document where id = '" + document + "'", "true");
        stands("accept", line("accepted", "document_id", document), 1);
        happened("accept");
    }

    private void sign(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), types.get("signed"));
        Map<String, Object> start =
                Map.of("version", 1, "signers", List.of(Map.of("role", "director", "signer", "Director of the yard")));
        String signing = JsonPath.read(post(session, "/api/documents/" + document + "/desk-signings", start), "$.id");
        stands("sign", "select count(*) from signature_request where id = '" + signing + "'", 1);
        post(
                session,
                "/api/desk-signings/" + signing + "/signatures",
                Map.of("role", "director", "signature", Map.of("typed", "Director of the yard")));
        stands(
                "sign",
                "select s.state || ' ' || p.sealed || ' ' || count(v.*) from signature_request s join signature_paper p"
                        + " on p.request_id = s.id join document_version v on v.document_id = p.document_id"
                        + " where s.id = '" + signing + "' group by s.id, p.sealed",
                "COMPLETE true 2");
        happened("sign");
    }

    /** Two files just made, told by the versions that were answered. */
    private void merge(HttpSession session) throws Exception {
        int number = numbers.incrementAndGet();
        String one = newFile(session, number);
        String other = newFile(session, number);
        String stays = JsonPath.read(one, "$.id");
        String gone = JsonPath.read(other, "$.id");
        post(
                session,
                "/api/merges",
                Map.of(
                        "kept",
                        stays,
                        "gone",
                        gone,
                        "keptVersion",
                        JsonPath.read(one, "$.version"),
                        "goneVersion",
                        JsonPath.read(other, "$.version"),
                        "fromGone",
                        List.of()));
        stands("merge", "select merged_into from person_file where id = '" + gone + "'", stays);
        stands("merge", line("merged-away", "file_id", gone), 1);
        happened("merge");
    }

    private void changeRule(HttpSession session) throws Exception {
        List<Integer> version = JsonPath.read(
                session.get("/api/set-up/document-types"), "$[?(@.code=='" + types.get("ruled") + "')].version");
        int number = ruleAsked.incrementAndGet();
        saveType(session, "ruled", version.get(0), "Kept rule " + number);
        ruleKept.set(number);
        happened("rule");
        TimeUnit.MILLISECONDS.sleep(100);
    }

    /** A requirement waived and a visit noted. */
    private void waiveAndVisit(HttpSession session) throws Exception {
        String file = newFile(session);
        done(session.post(
                "/api/files/" + file + "/waivers",
                JSON.writeValueAsString(
                        Map.of("checklist", "employees", "requirement", "handbook", "reason", "Kept reason"))));
        stands("waiver", "select count(*) from waiver where file_id = '" + file + "'", 1);
        stands("waiver", line("waived", "file_id", file), 1);
        happened("waiver");
        String visit = JsonPath.read(
                post(session, "/api/files/" + file + "/visits", Map.of("day", TODAY.toString(), "words", "Kept visit")),
                "$.id");
        stands("visit", "select count(*) from visit where id = '" + visit + "'", 1);
        stands("visit", line("visit-noted", "file_id", file), 1);
        happened("visit");
    }

    /** A paper handed over, with one mail to the colleague. */
    private void handOver(HttpSession session) throws Exception {
        List<String> colleagues =
                JsonPath.read(done(session.getAnswer("/api/colleagues")).body(), "$[?(@.name=='Bram Ostervelt')].id");
        String document = newPaper(session, newFile(session), "letter");
        post(
                session,
                "/api/documents/" + document + "/hand-overs",
                Map.of("to", colleagues.get(0), "note", "Kept note"));
        stands("hand-over", "select count(*) from hand_over where document_id = '" + document + "'", 1);
        stands("hand-over", line("hand-over", "document_id", document), 1);
        stands("hand-over", "select count(*) from notice where document_id = '" + document + "'", 1);
        happened("hand-over");
    }

    /** A guest sends a paper. */
    private void send(HttpSession guest) throws Exception {
        List<String> files = JsonPath.read(done(guest.getAnswer("/api/portal")).body(), "$.people[*].fileId");
        int number = numbers.incrementAndGet();
        String upload = guest.sent("sent " + number + ".pdf", Papers.pdf("Sent number " + number));
        String arrival = JsonPath.read(
                post(guest, "/api/portal/papers", Map.of("fileId", files.get(0), "upload", upload)), "$.id");
        stands("sent", "select count(*) from arrival where id = '" + arrival + "'", 1);
        stands("sent", "select count(*) from audit_event where sentence like 'received “sent " + number + ".pdf”%'", 1);
        happened("sent");
    }
}
