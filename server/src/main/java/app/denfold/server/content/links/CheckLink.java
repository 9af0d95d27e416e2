package app.denfold.server.content.links;

import app.denfold.server.commits.OutsideTransactions;
import java.io.IOException;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Arrays;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpRequest;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.io.support.ClassicRequestBuilder;
import org.apache.hc.core5.util.Timeout;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Tells, when somebody asks, whether a linked paper can be reached. Nothing of it is fetched but the answer's head. The
 * name is resolved once, and only public addresses are asked, unless {@code denfold.links.private-networks} allows others.
 */
@Component
public class CheckLink {

    private static final Timeout LONGEST = Timeout.ofSeconds(5);

    private final boolean privateNetworks;

    CheckLink(@Value("${denfold.links.private-networks:false}") boolean privateNetworks) {
        this.privateNetworks = privateNetworks;
    }

    /** @param words what was found, as a sentence */
    public record Reached(boolean reached, String words) {}

    public Reached reach(Link link) {
        OutsideTransactions.require("asking whether a link can be reached");
        URI address = URI.create(link.address());
        // one of its own, so that no connection is kept that the other side has closed
        try (CloseableHttpClient client = client()) {
            ClassicHttpRequest head = ClassicRequestBuilder.head(address).build();
            return told(client.execute(head, ClassicHttpResponse::getCode));
        } catch (NotPublic refused) {
            return new Reached(
                    false, "The address leads to this machine or into a private network, which is not asked.");
        } catch (UnknownHostException unknown) {
            return new Reached(false, "There is no machine called " + address.getHost() + ".");
        } catch (SocketTimeoutException late) {
            return new Reached(false, "It did not answer within five seconds.");
        } catch (IOException failed) {
            return new Reached(false, "It cannot be reached.");
        }
    }

    private CloseableHttpClient client() {
        ConnectionConfig connections = ConnectionConfig.custom()
                .setConnectTimeout(LONGEST)
                .setSocketTimeout(LONGEST)
                .build();
        return HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new Resolved())
                        .setDefaultConnectionConfig(connections)
                        .build())
                .setDefaultRequestConfig(
                        RequestConfig.custom().setResponseTimeout(LONGEST).build())
                .disableRedirectHandling()
                .disableAutomaticRetries()
                .disableCookieManagement()
                .build();
    }

    /** The addresses that are asked are those that were looked at: the name is not resolved again. */
    private final class Resolved implements DnsResolver {

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            InetAddress[] all = InetAddress.getAllByName(host);
            if (!privateNetworks && !Arrays.stream(all).allMatch(PublicAddress::is)) {
                throw new NotPublic();
            }
            return all;
        }

        @Override
        public String resolveCanonicalHostname(String host) {
            return host;
        }
    }

    private static final class NotPublic extends UnknownHostException {
        private static final long serialVersionUID = 1L;
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
