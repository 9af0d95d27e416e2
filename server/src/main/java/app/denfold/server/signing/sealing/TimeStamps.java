package app.denfold.server.signing.sealing;

import app.denfold.paper.sealing.SealKey;
import app.denfold.server.practice.PracticeCalendar;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.cert.Certificate;
import java.security.cert.CertificateFactory;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Has the time stamped: by an authority whose address is set (RFC 3161 over HTTP), or else by the practice's own stand-in,
 * which says no more than what the practice's clock says.
 */
@Component
class TimeStamps {

    private static final Duration MOST = Duration.ofSeconds(10);
    private static final int LONGEST_ANSWER = 100_000;

    private final HttpClient http = HttpClient.newBuilder()
            .connectTimeout(MOST)
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();
    private final String address;
    private final String trusted;
    private final PracticeCalendar calendar;

    /**
     * @param address of the authority; empty for the practice's own stand-in
     * @param trusted file with the authority's certificates in PEM; empty for none
     */
    TimeStamps(
            @Value("${denfold.time-stamps.address}") String address,
            @Value("${denfold.time-stamps.certificates}") String trusted,
            PracticeCalendar calendar) {
        this.address = address.strip();
        this.trusted = trusted.strip();
        this.calendar = calendar;
    }

    /** @param request in DER @return the answer in DER @throws IOException when the authority does not give one */
    byte[] stamp(byte[] request, SealKey own) throws IOException {
        if (address.isEmpty()) {
            return own.authority().stamp(request, calendar.now());
        }
        try {
            HttpResponse<byte[]> answer = http.send(
                    HttpRequest.newBuilder(URI.create(address))
                            .timeout(MOST)
                            .header("Content-Type", "application/timestamp-query")
                            .POST(HttpRequest.BodyPublishers.ofByteArray(request))
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            if (answer.statusCode() != 200 || answer.body().length > LONGEST_ANSWER) {
                throw new IOException("The time-stamp service answered with status " + answer.statusCode());
            }
            return answer.body();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new IOException("The time-stamp service was not waited for", stopped);
        } catch (IOException | IllegalArgumentException lost) {
            throw new IOException("The time-stamp service at " + address + " cannot be reached", lost);
        }
    }

    /** Certificates of the authority, in DER; none for the stand-in, for which the practice's root speaks. */
    List<byte[]> authorities() throws IOException {
        if (trusted.isEmpty()) {
            return List.of();
        }
        try {
            List<byte[]> all = new ArrayList<>();
            for (Certificate certificate : CertificateFactory.getInstance("X.509")
                    .generateCertificates(new ByteArrayInputStream(Files.readAllBytes(Path.of(trusted))))) {
                all.add(certificate.getEncoded());
            }
            return all;
        } catch (GeneralSecurityException unreadable) {
            throw new IOException(
                    "The certificates of the time-stamp service in " + trusted + " cannot be read", unreadable);
        }
    }
}
