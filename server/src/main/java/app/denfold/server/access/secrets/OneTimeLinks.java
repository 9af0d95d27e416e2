package app.denfold.server.access.secrets;

import app.denfold.server.problems.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Issues and redeems one-time links. */
@Component
public class OneTimeLinks {

    private static final Duration LIFE = Duration.ofDays(7);

    private final OneTimeLinkRepository links;

    OneTimeLinks(OneTimeLinkRepository links) {
        this.links = links;
    }

    public String issue(UUID accountId, Instant now) {
        String token = Secrets.fresh();
        links.save(new OneTimeLink(accountId, Secrets.hash(token), now, now.plus(LIFE)));
        return token;
    }

    public boolean isIssuedSince(UUID accountId, Instant moment) {
        return links.existsByAccountIdAndIssuedAtAfter(accountId, moment);
    }

    /** Whether an account has one that can still be used. */
    public boolean hasOpen(UUID accountId, Instant now) {
        return links.findByAccountIdAndUsedAtIsNull(accountId).stream().anyMatch(link -> !link.isExpired(now));
    }

    /** Uses up all of an account that could still be used. */
    public void endAll(UUID accountId, Instant now) {
        links.findByAccountIdAndUsedAtIsNull(accountId).forEach(link -> link.use(now));
    }

    public OneTimeLink usable(String token, Instant now) {
        OneTimeLink link = links.findByTokenHash(Secrets.hash(token))
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
}
