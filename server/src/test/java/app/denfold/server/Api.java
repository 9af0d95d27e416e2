package app.denfold.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.asyncDispatch;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import com.jayway.jsonpath.JsonPath;
import com.jayway.jsonpath.PathNotFoundException;
import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import tools.jackson.databind.json.JsonMapper;

/** The API as one signed-in account uses it. */
public final class Api {

    private static final JsonMapper MAPPER = new JsonMapper();

    private final MockMvc mvc;
    private final Cookie session;
    private final LocalDate asOf;

    private Api(MockMvc mvc, Cookie session) {
        this(mvc, session, null);
    }

    private Api(MockMvc mvc, Cookie session, LocalDate asOf) {
        this.mvc = mvc;
        this.session = session;
        this.asOf = asOf;
    }

    /** The same with another cookie in the session's place. */
    public Api with(Cookie cookie) {
        return new Api(mvc, cookie, asOf);
    }

    /** The same account as it looks at another day. */
    public Api lookingAt(LocalDate day) {
        return new Api(mvc, session, day);
    }

    /** An answer: its status and its body. */
    public record Answer(int status, String body, byte[] bytes) {

        /** The value at a JSON path. @throws PathNotFoundException showing the whole answer when there is none */
        public <T> T at(String path) {
            try {
                return JsonPath.read(body, path);
            } catch (PathNotFoundException none) {
                throw new PathNotFoundException("No " + path + " in " + status + ": " + body, none);
            }
        }

        public UUID id(String path) {
            return UUID.fromString(at(path));
        }
    }

    public static Api nobody(MockMvc mvc) {
        return new Api(mvc, null);
    }

    public static Api signIn(MockMvc mvc, String email, String password) throws Exception {
        return nobody(mvc).begin("/api/session", Map.of("email", email, "password", password));
    }

    /** Posts something that begins a session, and goes on with it. */
    public Api begin(String path, Object body) throws Exception {
        MockHttpServletRequestBuilder builder = request(HttpMethod.POST, path)
                .with(csrf())
                .contentType(MediaType.APPLICATION_JSON)
                .content(MAPPER.writeValueAsString(body));
        if (session != null) {
            builder.cookie(session);
        }
        MvcResult result = mvc.perform(builder).andReturn();
        return Arrays.stream(result.getResponse().getCookies())
                .filter(c -> !c.getName().startsWith("XSRF"))
                .findFirst()
                .map(c -> new Api(mvc, c))
                .orElseThrow(() -> new AssertionError("No session: " + bodyOf(result)));
    }

    public Answer get(String path, Object... values) throws Exception {
        return send(HttpMethod.GET, path, null, values);
    }

    /** An answer that is written after the request was taken. */
    public Answer streamed(String path) throws Exception {
        MvcResult begun =
                mvc.perform(request(HttpMethod.GET, path).cookie(session)).andReturn();
        return answer(mvc.perform(asyncDispatch(begun)).andReturn());
    }

    public Answer post(String path, Object body, Object... values) throws Exception {
        return send(HttpMethod.POST, path, body, values);
    }

    public Answer send(HttpMethod method, String path, Object body, Object... values) throws Exception {
        var builder = request(method, path, values).with(csrf());
        if (session != null) {
            builder.cookie(session);
        }
        if (asOf != null) {
            builder.header("X-As-Of", asOf);
        }
        if (body != null) {
            builder.contentType(MediaType.APPLICATION_JSON)
                    .content(body instanceof String text ? text : MAPPER.writeValueAsString(body));
        }
        return answer(mvc.perform(builder).andReturn());
    }

    public Answer upload(String path, String name, byte[] bytes, Map<String, ?> fields) throws Exception {
        MockMultipartHttpServletRequestBuilder builder = multipart(path);
        builder.file(new MockMultipartFile("file", name, "application/octet-stream", bytes));
        fields.forEach((field, value) -> builder.param(field, value.toString()));
        if (session != null) {
            builder.cookie(session);
        }
        return answer(mvc.perform(builder.with(csrf())).andReturn());
    }

    /** Sends a file to `/api/uploads` in one piece. @return the upload's id */
    public String sent(String name, byte[] bytes) throws Exception {
        String encoded = Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
        String address = raw(
                        HttpMethod.POST,
                        "/api/uploads",
                        Map.of(
                                "Tus-Resumable",
                                "1.0.0",
                                "Upload-Length",
                                "" + bytes.length,
                                "Upload-Metadata",
                                "filename " + encoded),
                        null)
                .getHeader("Location")
                .replaceFirst(".*(?=/api)", "");
        raw(
                HttpMethod.PATCH,
                address,
                Map.of(
                        "Tus-Resumable",
                        "1.0.0",
                        "Upload-Offset",
                        "0",
                        "Content-Type",
                        "application/offset+octet-stream"),
                bytes);
        return address.substring(address.lastIndexOf('/') + 1);
    }

    /** Brings other bytes as the newest version of a paper. */
    public Answer renew(UUID document, String name, byte[] bytes) throws Exception {
        return post("/api/documents/{id}/versions", Map.of("upload", sent(name, bytes)), document);
    }

    /** As a guest, sends a paper for a file. */
    public Answer sendToPractice(UUID fileId, String name, byte[] bytes) throws Exception {
        return post("/api/portal/papers", Map.of("fileId", fileId, "upload", sent(name, bytes)));
    }

    /** A request with a body of bytes and headers of its own; the answer's headers are wanted as well. */
    public MockHttpServletResponse raw(HttpMethod method, String path, Map<String, String> headers, byte[] bytes)
            throws Exception {
        var builder = request(method, path).with(csrf()).cookie(session);
        headers.forEach(builder::header);
        if (bytes != null) {
            builder.content(bytes).header("Content-Length", bytes.length);
        }
        return mvc.perform(builder).andReturn().getResponse();
    }

    private static String bodyOf(MvcResult result) {
        return new String(result.getResponse().getContentAsByteArray(), StandardCharsets.UTF_8);
    }

    private static Answer answer(MvcResult result) throws Exception {
        return new Answer(
                result.getResponse().getStatus(),
                bodyOf(result),
                result.getResponse().getContentAsByteArray());
    }

    // --- what many tests do ---

    /** Makes an employee's file and returns its id. */
    public UUID newEmployee(String family, String email) throws Exception {
        return newFile("employee", family, email, "Stables");
    }

    public UUID newFile(String kind, String family, String email, String team) throws Exception {
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind",
                kind,
                "givenName",
                "Tamsin",
                "familyName",
                family,
                "team",
                team,
                "birthDate",
                "1994-03-09",
                "activeFrom",
                LocalDate.now().minusDays(100).toString(),
                "facts",
                Map.of()));
        if (email != null) {
            person.put("email", email);
        }
        return post("/api/files", Map.of("person", person, "evenIfLike", true)).id("$.id");
    }

    /** Drops a paper and files it, dated some days ago; returns the document's id. */
    public UUID fileNewPaper(UUID fileId, String type, LocalDate dated) throws Exception {
        UUID arrival = upload("/api/arrivals", "paper.pdf", Papers.pdf("Paper " + UUID.randomUUID()), Map.of())
                .id("$.id");
        return file(arrival, fileId, type, dated).id("$.documentId");
    }

    public Answer file(UUID arrival, UUID fileId, String type, LocalDate dated) throws Exception {
        return post(
                "/api/arrivals/{id}/filing", Map.of("version", 0, "details", details(fileId, type, dated)), arrival);
    }

    public static Map<String, Object> details(UUID fileId, String type, LocalDate dated) {
        return Map.of("fileId", fileId, "type", type, "documentDate", dated.toString());
    }

    /** Papers as they are shown now, each with its newest version. */
    public List<Map<String, Object>> shown(UUID... documents) throws Exception {
        List<Map<String, Object>> shown = new ArrayList<>();
        for (UUID id : documents) {
            int versions = get("/api/documents/{id}", id)
                    .<List<Object>>at("$.versions")
                    .size();
            shown.add(Map.of("id", id, "version", versions));
        }
        return shown;
    }

    /** Papers as they are now, each with how often it was changed. */
    public List<Map<String, Object>> seen(List<UUID> documents) throws Exception {
        List<Map<String, Object>> seen = new ArrayList<>();
        for (UUID id : documents) {
            seen.add(Map.of("id", id, "changes", get("/api/documents/{id}", id).<Integer>at("$.changes")));
        }
        return seen;
    }

    /** Status of a slot in a file's ledger. */
    public String slot(UUID fileId, String requirement) throws Exception {
        List<String> found = get("/api/files/{id}/ledger", fileId)
                .at("$.sections[*].slots[?(@.requirement=='" + requirement + "')].status");
        return found.isEmpty() ? "not-applicable" : found.get(0);
    }
}
