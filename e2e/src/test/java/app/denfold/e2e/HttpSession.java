package app.denfold.e2e;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.Base64;

/** The API over HTTP as one signed-in account, without a browser. */
final class HttpSession {

    private static final String BOUNDARY = "sheet-of-paper";

    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client;

    private HttpSession(String address) {
        this.address = address;
        this.client = HttpClient.newBuilder()
                .version(HttpClient.Version.HTTP_1_1)
                .cookieHandler(cookies)
                .build();
    }

    static HttpSession signIn(String address, String email) throws IOException, InterruptedException {
        HttpSession session = new HttpSession(address);
        session.get("/api/practice");
        String body = "{\"email\":\"" + email + "\",\"password\":\"oakhollin-demo\"}";
        HttpRequest request = session.request("/api/session")
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(body))
                .build();
        int status = session.client.send(request, BodyHandlers.ofString()).statusCode();
        if (status != 200) {
            throw new IllegalStateException("Signing in answered " + status);
        }
        session.get("/api/practice");
        return session;
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).header("X-XSRF-TOKEN", token());
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    String get(String path) throws IOException, InterruptedException {
        return new String(bytes(path), StandardCharsets.UTF_8);
    }

    HttpResponse<String> getAnswer(String path) throws IOException, InterruptedException {
        return client.send(request(path).GET().build(), BodyHandlers.ofString());
    }

    byte[] bytes(String path) throws IOException, InterruptedException {
        return client.send(request(path).GET().build(), BodyHandlers.ofByteArray())
                .body();
    }

    HttpResponse<String> post(String path, String json) throws IOException, InterruptedException {
        return send("POST", path, json);
    }

    HttpResponse<String> put(String path, String json) throws IOException, InterruptedException {
        return send("PUT", path, json);
    }

    private HttpResponse<String> send(String method, String path, String json)
            throws IOException, InterruptedException {
        HttpRequest request = request(path)
                .header("Content-Type", "application/json")
                .method(method, BodyPublishers.ofString(json))
                .build();
        return client.send(request, BodyHandlers.ofString());
    }

    HttpResponse<String> upload(String path, String name, byte[] bytes) throws IOException, InterruptedException {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        body.writeBytes(("--" + BOUNDARY + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                        + "\"\r\nContent-Type: application/pdf\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(bytes);
        body.writeBytes(("\r\n--" + BOUNDARY + "--\r\n").getBytes(StandardCharsets.UTF_8));
        HttpRequest request = request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + BOUNDARY)
                .POST(BodyPublishers.ofByteArray(body.toByteArray()))
                .build();
        return client.send(request, BodyHandlers.ofString());
    }

    /** Sends a file to `/api/uploads` in one piece. @return the upload's id */
    String sent(String name, byte[] bytes) throws IOException, InterruptedException {
        String encoded = Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
        HttpRequest begin = request("/api/uploads")
                .header("Tus-Resumable", "1.0.0")
                .header("Upload-Length", "" + bytes.length)
                .header("Upload-Metadata", "filename " + encoded)
                .POST(BodyPublishers.noBody())
                .build();
        String address = client.send(begin, BodyHandlers.discarding())
                .headers()
                .firstValue("Location")
                .orElseThrow(() -> new IOException("The upload was not begun."));
        String id = address.substring(address.lastIndexOf('/') + 1);
        HttpRequest piece = request("/api/uploads/" + id)
                .header("Tus-Resumable", "1.0.0")
                .header("Upload-Offset", "0")
                .header("Content-Type", "application/offset+octet-stream")
                .method("PATCH", BodyPublishers.ofByteArray(bytes))
                .build();
        int status = client.send(piece, BodyHandlers.discarding()).statusCode();
        if (status != 204) {
            throw new IOException("The upload broke off with " + status + ".");
        }
        return id;
    }
}
