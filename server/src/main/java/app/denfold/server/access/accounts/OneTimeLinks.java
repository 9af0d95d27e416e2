package app.denfold.server.access.accounts;

import app.denfold.server.problems.Refusal;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Issues and redeems one-time links: 256 random bits, of which only the SHA-256 is stored. */
@Component
class OneTimeLinks {

    private static final Duration LIFE = Duration.ofDays(7);

    private final OneTimeLinkRepository links;
    private final SecureRandom random = new SecureRandom();

    OneTimeLinks(OneTimeLinkRepository links) {
        this.links = links;
    }

    String issue(UUID accountId, Instant now) {
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        links.save(new OneTimeLink(accountId, hash(token), now, now.plus(LIFE)));
        return token;
    }

    boolean isIssuedSince(UUID accountId, Instant moment) {
        return links.existsByAccountIdAndIssuedAtAfter(accountId, moment);
    }

    /** Uses up all of an account that could still be used. */
    void endAll(UUID accountId, Instant now) {
        links.findByAccountIdAndUsedAtIsNull(accountId).forEach(link -> link.use(now));
    }

    OneTimeLink usable(String token, Instant now) {
        OneTimeLink link = links.findByTokenHash(hash(token))
                .orElseThrow(
                        () -> Refusal.gone("link-unknown", "This link is not valid. Ask the practice for a new one."));
        if (link.isUsed()) {
            throw Refusal.gone(
                    "link-used", "This link was used already. Sign in with your password, or ask for a new link.");
        }
        if (link.isExpired(now)) {
            throw Refusal.gone("link-expired", "This link has expired. Ask the practice for a new one.");
        }
        return link;
    }

    private static String hash(String token) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
