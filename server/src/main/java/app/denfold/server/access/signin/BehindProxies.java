package app.denfold.server.access.signin;

import java.util.Arrays;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.session.autoconfigure.DefaultCookieSerializerCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * What comes through a proxy: who asks, and whether over TLS, is believed only from proxies whose addresses are named in
 * {@code denfold.proxies}, with commas between them.
 */
@Configuration
class BehindProxies {

    private final boolean tls;

    BehindProxies(@Value("${denfold.address}") String address) {
        this.tls = address.startsWith("https:");
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> namedProxies(@Value("${denfold.proxies:}") String named) {
        return factory -> {
            if (!named.isBlank()) {
                RemoteIpValve valve = new RemoteIpValve();
                valve.setInternalProxies(Arrays.stream(named.split(","))
                        .map(String::strip)
                        .map(Pattern::quote)
                        .collect(Collectors.joining("|")));
                valve.setRemoteIpHeader("X-Forwarded-For");
                valve.setProtocolHeader("X-Forwarded-Proto");
                factory.addEngineValves(valve);
            }
        };
    }

    /** Where people come over TLS, cookies travel over nothing else. */
    @Bean
    DefaultCookieSerializerCustomizer secureCookies() {
        return (DefaultCookieSerializer cookies) -> {
            if (tls) {
                cookies.setUseSecureCookie(true);
            }
        };
    }
}
