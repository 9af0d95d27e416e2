package app.denfold.server.demo.standins;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.RSASSASigner;
import com.nimbusds.jose.jwk.JWKSet;
import com.nimbusds.jose.jwk.RSAKey;
import com.nimbusds.jose.jwk.gen.RSAKeyGenerator;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Base64;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Profile;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.HtmlUtils;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * A directory of accounts that the house has: an issuer by OpenID Connect Core 1.0 with the code flow. Whoever comes says
 * who he is and is believed, so it is for the demo and for tests alone.
 */
@RestController
@Profile("demo")
@RequestMapping(HouseStandIn.PATH)
class HouseStandIn {

    static final String PATH = "/demo-house";

    private static final int KEY_BITS = 2048;
    private static final long HOLDS = 300;
    private static final Map<String, String> PEOPLE = Map.of(
            "bram@oakhollin.example", "Bram Ostervelt",
            "zuri@oakhollin.example", "Zuri Mbeya-Holt",
            "nobody@oakhollin.example", "Somebody without an account");

    /** What was asked for when a code was given out. */
    private record Given(
            String email,
            String redirect,
            @Nullable String nonce,
            @Nullable String challenge) {}

    private final String issuer;
    private final String client;
    private final String secret;
    private final RSAKey key;
    private final Map<String, Given> codes = new ConcurrentHashMap<>();

    HouseStandIn(
            @Value("${denfold.house.issuer}") String issuer,
            @Value("${denfold.house.client}") String client,
            @Value("${denfold.house.secret}") String secret)
            throws JOSEException {
        this.issuer = issuer;
        this.client = client;
        this.secret = secret;
        this.key = new RSAKeyGenerator(KEY_BITS).keyID("house").generate();
    }

    @GetMapping("/.well-known/openid-configuration")
    Map<String, Object> configuration() {
        return Map.of(
                "issuer", issuer,
                "authorization_endpoint", issuer + "/authorize",
                "token_endpoint", issuer + "/token",
                "jwks_uri", issuer + "/jwks",
                "response_types_supported", List.of("code"),
                "subject_types_supported", List.of("public"),
                "id_token_signing_alg_values_supported", List.of("RS256"),
                "token_endpoint_auth_methods_supported", List.of("client_secret_basic"),
                "code_challenge_methods_supported", List.of("S256"));
    }

    @GetMapping("/jwks")
    Map<String, Object> keys() {
        return new JWKSet(key.toPublicJWK()).toJSONObject();
    }

    /** Asks who it is; then sends the browser back with a code. */
    @GetMapping(path = "/authorize", produces = MediaType.TEXT_HTML_VALUE)
    ResponseEntity<String> authorize(
            @RequestParam("client_id") String asking,
            @RequestParam("redirect_uri") String redirect,
            @RequestParam String state,
            @RequestParam(required = false) @Nullable String nonce,
            @RequestParam(name = "code_challenge", required = false) @Nullable String challenge,
            @RequestParam(required = false) @Nullable String as) {
        if (!asking.equals(client) || !redirect.startsWith(issuer.substring(0, issuer.indexOf(PATH)))) {
            return ResponseEntity.badRequest().body("This is not a program of the house.");
        }
        if (as != null) {
            String code = UUID.randomUUID().toString();
            codes.put(code, new Given(as, redirect, nonce, challenge));
            return ResponseEntity.status(HttpStatus.FOUND)
                    .location(UriComponentsBuilder.fromUriString(redirect)
                            .queryParam("code", code)
                            .queryParam("state", "{state}")
                            .encode()
                            .buildAndExpand(state)
                            .toUri())
                    .build();
        }
        StringBuilder page = new StringBuilder("<!doctype html><html lang=\"en\"><title>The house’s directory</title>"
                + "<h1>The house’s directory</h1><p>Who are you?</p><ul>");
        PEOPLE.forEach((email, name) -> {
            String address = UriComponentsBuilder.fromPath(PATH + "/authorize")
                    .queryParam("client_id", "{client}")
                    .queryParam("redirect_uri", "{redirect}")
                    .queryParam("state", "{state}")
                    .queryParam("nonce", "{nonce}")
                    .queryParam("code_challenge", "{challenge}")
                    .queryParam("as", "{as}")
                    .encode()
                    .buildAndExpand(
                            client,
                            redirect,
                            state,
                            nonce == null ? "" : nonce,
                            challenge == null ? "" : challenge,
                            email)
                    .toUriString();
            page.append("<li><a href=\"" + HtmlUtils.htmlEscape(address) + "\">" + name + "</a></li>");
        });
        return ResponseEntity.ok(page.append("</ul></html>").toString());
    }

    /** Gives a token for a code, once. */
    @PostMapping("/token")
    ResponseEntity<Map<String, Object>> token(
            @RequestHeader("Authorization") String authorization,
            @RequestParam String code,
            @RequestParam("redirect_uri") String redirect,
            @RequestParam(name = "code_verifier", required = false) @Nullable String verifier)
            throws JOSEException, NoSuchAlgorithmException {
        String expected =
                "Basic " + Base64.getEncoder().encodeToString((client + ":" + secret).getBytes(StandardCharsets.UTF_8));
        Given given = codes.remove(code);
        if (!authorization.equals(expected)
                || given == null
                || !given.redirect.equals(redirect)
                || !fits(given.challenge, verifier)) {
            return ResponseEntity.badRequest().body(Map.of("error", "invalid_grant"));
        }
        Instant now = Instant.now();
        JWTClaimsSet claims = new JWTClaimsSet.Builder()
                .issuer(issuer)
                .subject(given.email)
                .audience(client)
                .issueTime(Date.from(now))
                .expirationTime(Date.from(now.plusSeconds(HOLDS)))
                .claim("nonce", given.nonce)
                .claim("email", given.email)
                .claim("email_verified", true)
                .claim("name", PEOPLE.getOrDefault(given.email, given.email))
                .build();
        SignedJWT token = new SignedJWT(
                new JWSHeader.Builder(JWSAlgorithm.RS256).keyID(key.getKeyID()).build(), claims);
        token.sign(new RSASSASigner(key));
        return ResponseEntity.ok(Map.of(
                "access_token",
                UUID.randomUUID().toString(),
                "token_type",
                "Bearer",
                "expires_in",
                HOLDS,
                "id_token",
                token.serialize()));
    }

    /** RFC 7636, 4.6. */
    private static boolean fits(@Nullable String challenge, @Nullable String verifier) throws NoSuchAlgorithmException {
        if (challenge == null || challenge.isEmpty()) {
            return true;
        }
        byte[] hash = MessageDigest.getInstance("SHA-256")
                .digest(String.valueOf(verifier).getBytes(StandardCharsets.US_ASCII));
        return challenge.equals(Base64.getUrlEncoder().withoutPadding().encodeToString(hash));
    }
}
