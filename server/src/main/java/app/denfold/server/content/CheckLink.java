package app.denfold.server.content;

import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Tells, when somebody asks, whether a linked paper can be reached. Nothing of it is fetched but the answer's first line,
 * and this machine itself is never asked unless {@code denfold.links.this-machine} says so.
 */
@Component
public class CheckLink {

    private static final Duration LONGEST = Duration.ofSeconds(5);

    private final boolean thisMachine;

    CheckLink(@Value("${denfold.links.this-machine:false}") boolean thisMachine) {
        this.thisMachine = thisMachine;
    }

    /** @param words what was found, as a sentence */
    public record Reached(boolean reached, String words) {}

    public Reached reach(Link link) {
        URI address = URI.create(link.address());
        try {
            InetAddress host = InetAddress.getByName(address.getHost());
            if (!thisMachine && (host.isLoopbackAddress() || host.isLinkLocalAddress() || host.isAnyLocalAddress())) {
                return new Reached(false, "The address leads to this machine itself, which is not asked.");
            }
            HttpRequest request = HttpRequest.newBuilder(address)
                    .timeout(LONGEST)
                    .method("HEAD", HttpRequest.BodyPublishers.noBody())
                    .build();
            // one of its own, so that no connection is kept that the other side has closed
            HttpClient client = HttpClient.newBuilder()
                    .connectTimeout(LONGEST)
                    .followRedirects(HttpClient.Redirect.NEVER)
                    .build();
            return told(
                    client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode());
        } catch (UnknownHostException unknown) {
            return new Reached(false, "There is no machine called " + address.getHost() + ".");
        } catch (HttpTimeoutException late) {
            return new Reached(false, "It did not answer within five seconds.");
        } catch (IOException failed) {
            return new Reached(false, "It cannot be reached.");
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return new Reached(false, "It was not asked to the end.");
        }
    }

    private static Reached told(int status) {
        if (status < 300) {
            return new Reached(true, "It can be reached.");
        }
        if (status < 400) {
            return new Reached(true, "It answers, and leads on to another address.");
        }
        if (status == 401 || status == 403) {
            return new Reached(true, "It answers, and asks who one is.");
        }
        HttpStatus known = HttpStatus.resolve(status);
        return new Reached(
                false,
                "It answers that it cannot show the paper: " + status
                        + (known == null ? "" : " " + known.getReasonPhrase()) + ".");
    }
}
