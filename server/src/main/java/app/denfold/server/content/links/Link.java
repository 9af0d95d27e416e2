package app.denfold.server.content.links;

import app.denfold.server.problems.Refusal;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The address of a paper that is kept elsewhere, with a label; kept as a list of one address (RFC 2483). */
public record Link(String address, String label) {

    /**
     * @param label null or blank for the last part of the address
     * @throws Refusal when it is no address of the web
     */
    public static Link to(String address, @Nullable String label) {
        URI uri = parsed(address.strip());
        return new Link(uri.toString(), label == null || label.isBlank() ? lastPart(uri) : oneLine(label));
    }

    private static URI parsed(String address) {
        try {
            URI uri = new URI(address);
            boolean web = "https".equalsIgnoreCase(uri.getScheme()) || "http".equalsIgnoreCase(uri.getScheme());
            if (web && uri.getHost() != null && uri.getUserInfo() == null) {
                return uri;
            }
        } catch (URISyntaxException unclear) {
            // told below
        }
        throw Refusal.invalid(
                "address",
                "This is not an address of the web. It begins with https:// and holds neither spaces nor a password.");
    }

    private static String lastPart(URI uri) {
        String path = uri.getPath() == null ? "" : uri.getPath().replaceAll("/+$", "");
        String last = path.substring(path.lastIndexOf('/') + 1);
        return oneLine(last.isBlank() ? uri.getHost() : last);
    }

    private static String oneLine(String words) {
        String line = words.replaceAll("\\s+", " ").strip();
        return line.substring(0, Math.min(200, line.length()));
    }

    /** How it is stored: the label as a comment, then the address. */
    public byte[] written() {
        return ("# " + label + "\r\n" + address + "\r\n").getBytes(StandardCharsets.UTF_8);
    }

    public static Link read(byte[] written) {
        List<String> lines = new String(written, StandardCharsets.UTF_8).lines().toList();
        return new Link(lines.get(1), lines.get(0).substring(2));
    }
}
