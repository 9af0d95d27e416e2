package app.denfold.server.people.importing;

import app.denfold.server.problems.NotNow;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * An outside directory that is asked about a person by the number he has there: {@code GET} of an address with
 * {@code {number}} in it, answered with JSON, or with 404 when nobody has it. Off unless
 * {@code denfold.directory.address} is set.
 */
@Component
class Directory {

    private final String address;
    private final Duration longest;
    private final HttpClient client;
    private final JsonMapper mapper;

    Directory(
            @Value("${denfold.directory.address:}") String address,
            @Value("${denfold.directory.seconds:3}") int seconds,
            JsonMapper mapper) {
        this.address = address;
        this.longest = Duration.ofSeconds(seconds);
        this.client = HttpClient.newBuilder().connectTimeout(longest).build();
        this.mapper = mapper;
    }

    /** What a directory tells; members that it does not know are left out. */
    record Entry(
            String givenName,
            String familyName,
            LocalDate birthDate,
            String email,
            List<String> formerNames,
            Map<String, String> facts) {}

    boolean isOn() {
        return !address.isBlank();
    }

    /** @return empty when nobody has that number @throws NotNow when it does not answer in time, or not as agreed */
    Optional<Entry> find(String number) {
        String encoded = URLEncoder.encode(number, StandardCharsets.UTF_8).replace("+", "%20");
        HttpRequest request = HttpRequest.newBuilder(URI.create(address.replace("{number}", encoded)))
                .timeout(longest)
                .header("Accept", "application/json")
                .build();
        try {
            HttpResponse<String> response = client.send(request, HttpResponse.BodyHandlers.ofString());
            if (response.statusCode() == 404) {
                return Optional.empty();
            }
            if (response.statusCode() == 200) {
                return Optional.of(mapper.readValue(response.body(), Entry.class));
            }
            throw down(null);
        } catch (IOException | JacksonException failed) {
            throw down(failed);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw down(stopped);
        }
    }

    private static NotNow down(@Nullable Exception cause) {
        return NotNow.noAnswer("The directory does not answer. Type what you know; nothing is lost.", cause);
    }
}
