package app.denfold.server.signing.links;

import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.practice.PracticeCalendar;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Issues links to turns, and lets in whoever holds one together with its code. */
@Service
public class SigningLinks {

    private final SigningLinkRepository links;
    private final LinkCodes codes;
    private final PracticeCalendar calendar;

    SigningLinks(SigningLinkRepository links, LinkCodes codes, PracticeCalendar calendar) {
        this.links = links;
        this.codes = codes;
        this.calendar = calendar;
    }

    /** A fresh secret, which leads nowhere before it is {@link #issue}d. */
    public static String secret() {
        return Secrets.fresh();
    }

    /** A link to a turn; earlier ones stay. @param token its secret */
    @Transactional
    public void issue(UUID turnId, String token) {
        links.save(new SigningLink(turnId, token, calendar.now()));
    }

    /** All links to a turn lead nowhere from now on. */
    @Transactional
    public void endAll(UUID turnId) {
        links.deleteByTurnId(turnId);
    }

    /** To which turn a link leads. @throws Refusal when it is unknown */
    @Transactional(readOnly = true)
    public UUID turnOf(String token) {
        return find(token).turnId();
    }

    /** @see LinkCodes#newCode */
    @Transactional
    public String newCode(String token) {
        return codes.newCode(lock(token));
    }

    /** @see LinkCodes#enter */
    @Transactional
    public LinkCodes.Tried enter(String token, String code) {
        return codes.enter(lock(token), code);
    }

    /** @see LinkCodes#isOpenFor */
    @Transactional(readOnly = true)
    public boolean isOpenFor(String token, @Nullable String key) {
        return codes.isOpenFor(find(token), key);
    }

    private SigningLink find(String token) {
        return links.findByTokenHash(Secrets.hash(token)).orElseThrow(LinkCodes::unknown);
    }

    private SigningLink lock(String token) {
        return links.lock(Secrets.hash(token)).orElseThrow(LinkCodes::unknown);
    }
}
