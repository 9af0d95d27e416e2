package app.denfold.server.access;

import app.denfold.server.access.AccessEvents.PasswordSet;
import app.denfold.server.access.AccessEvents.SignInRefused;
import app.denfold.server.access.AccessEvents.SignedIn;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Accounts and how one gets into them. */
@Service
public class Accounts {

    /** The fewest characters of a password. */
    public static final int SHORTEST_PASSWORD = 10;

    private static final Duration THROTTLE_WINDOW = Duration.ofMinutes(15);
    private static final int FAILURES_PER_EMAIL = 5;
    private static final int FAILURES_PER_ADDRESS = 30;

    private final AccountRepository accounts;
    private final SignInFailureRepository failures;
    private final OneTimeLinks links;
    private final PasswordEncoder passwords;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final String nobodysHash;

    Accounts(
            AccountRepository accounts,
            SignInFailureRepository failures,
            OneTimeLinks links,
            PasswordEncoder passwords,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.accounts = accounts;
        this.failures = failures;
        this.links = links;
        this.passwords = passwords;
        this.calendar = calendar;
        this.events = events;
        this.nobodysHash = passwords.encode("nobody has this password");
    }

    /**
     * @throws Refusal when address and password do not belong together, the account is closed, or there were too many
     *     failures lately; a failure is remembered
     */
    @Transactional(noRollbackFor = Refusal.class)
    Viewer signIn(String email, String password, String address) {
        String normal = Account.normal(email);
        Instant now = calendar.now();
        refuseWhenThrottled(normal, address, now);
        Optional<Account> account = accounts.findByEmail(normal).filter(Account::isOpen);
        String hash = account.map(Account::passwordHash).orElse(nobodysHash);
        boolean right = passwords.matches(password, hash);
        if (account.isEmpty() || account.get().passwordHash() == null || !right) {
            failures.save(new SignInFailure(normal, address, now));
            events.publishEvent(new SignInRefused(normal, "address and password do not belong together"));
            throw Refusal.notSignedIn("Address and password do not belong together. Check both and try again.");
        }
        failures.deleteByEmail(normal);
        account.get().visited(now);
        events.publishEvent(new SignedIn(account.get().viewer().actor()));
        return account.get().viewer();
    }

    private void refuseWhenThrottled(String email, String address, Instant now) {
        Instant since = now.minus(THROTTLE_WINDOW);
        if (failures.countByEmailAndAtAfter(email, since) >= FAILURES_PER_EMAIL
                || failures.countByAddressAndAtAfter(address, since) >= FAILURES_PER_ADDRESS) {
            events.publishEvent(new SignInRefused(email, "too many failures"));
            throw Refusal.tooMany("Too many failed attempts. Wait 15 minutes and try again.");
        }
    }

    /** The account with its present rights; empty when it does not exist or is closed. */
    public Optional<Viewer> viewer(UUID accountId) {
        return accounts.findById(accountId).filter(Account::isOpen).map(Account::viewer);
    }

    public Optional<Viewer> viewerByEmail(String email) {
        return accounts.findByEmail(Account.normal(email)).map(Account::viewer);
    }

    /** All who work here, by their names; guests and closed accounts are left out. */
    @Transactional(readOnly = true)
    public List<Viewer> staff() {
        return accounts.findByRoleNotAndClosedFalseOrderByName(Role.GUEST).stream()
                .map(Account::viewer)
                .toList();
    }

    /** What each is in the practice, by name: a title, or else administrator, colleague or guest. */
    @Transactional(readOnly = true)
    public Map<String, String> titles(Collection<String> names) {
        Map<String, String> titles = new HashMap<>();
        accounts.findByNameIn(names).forEach(a -> titles.put(a.name(), a.titleWords()));
        return titles;
    }

    public List<Viewer> viewers(Collection<UUID> ids) {
        return accounts.findByIdIn(ids).stream().map(Account::viewer).toList();
    }

    /** When the account signed in the time before the present one; empty when it never did. */
    public Optional<Instant> previousVisit(UUID accountId) {
        return accounts.findById(accountId).map(Account::previousVisitAt);
    }

    /** True once the account has a password, that is, its holder came in through a link. */
    public boolean hasPassword(UUID accountId) {
        return accounts.findById(accountId).map(a -> a.passwordHash() != null).orElse(false);
    }

    /** @throws Refusal when there is an account with this address already */
    @Transactional
    public Viewer open(NewAccount from) {
        if (accounts.findByEmail(Account.normal(from.email())).isPresent()) {
            throw Refusal.conflict("account-exists", "There is already an account with the address " + from.email());
        }
        return accounts.save(new Account(from, calendar.now())).viewer();
    }

    /** Sets a password without a link, for first administrators and demo accounts. */
    @Transactional
    public void setPassword(UUID accountId, String password) {
        accounts.findById(accountId).orElseThrow().setPasswordHash(passwords.encode(password));
    }

    /** A secret for a link with which the account's holder sets a password, once, within seven days. */
    @Transactional
    public String issueLink(UUID accountId) {
        return links.issue(accountId, calendar.now());
    }

    /** Whose link this is. @throws Refusal when it is unknown, used or expired */
    @Transactional(readOnly = true)
    Viewer holderOf(String token) {
        return accounts.findById(links.usable(token, calendar.now()).accountId())
                .orElseThrow(() -> Refusal.notFound("invitation"))
                .viewer();
    }

    /** Uses up the link and sets the password. @throws Refusal as above, or when the password is too short */
    @Transactional
    Viewer setPasswordByLink(String token, String password) {
        OneTimeLink link = links.usable(token, calendar.now());
        if (password.length() < SHORTEST_PASSWORD) {
            throw Refusal.invalid("password", "A password needs at least " + SHORTEST_PASSWORD + " characters.");
        }
        Account account = accounts.findById(link.accountId()).orElseThrow();
        account.setPasswordHash(passwords.encode(password));
        account.visited(calendar.now());
        link.use(calendar.now());
        events.publishEvent(new PasswordSet(account.viewer().actor()));
        return account.viewer();
    }
}
