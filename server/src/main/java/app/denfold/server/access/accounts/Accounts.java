package app.denfold.server.access.accounts;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.access.AccessEvents.AccountChanged;
import app.denfold.server.access.AccessEvents.AccountClosed;
import app.denfold.server.access.AccessEvents.AccountOpened;
import app.denfold.server.access.AccessEvents.PasswordSet;
import app.denfold.server.access.AccessEvents.SignInRefused;
import app.denfold.server.access.AccessEvents.SignedIn;
import app.denfold.server.access.OwnPeople;
import app.denfold.server.access.Role;
import app.denfold.server.access.SensitiveThings;
import app.denfold.server.access.Sight;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.secrets.OneTimeLink;
import app.denfold.server.access.secrets.OneTimeLinks;
import app.denfold.server.access.teams.TeamTree;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Accounts and how one gets into them. */
@Service
public class Accounts {

    private static final Set<Role> STAFF = Set.of(Role.ADMINISTRATOR, Role.COLLEAGUE);
    private static final int LONGEST_ADDRESS = 254;
    private static final Duration BETWEEN_LINKS = Duration.ofMinutes(5);

    private final AccountRepository accounts;
    private final SignInThrottle throttle;
    private final PasswordRules rules;
    private final OneTimeLinks links;
    private final PasswordEncoder passwords;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final OpenSessionStore sessions;
    private final ObjectProvider<SensitiveThings> sensitive;
    private final ObjectProvider<OwnPeople> ownPeople;
    private final TeamTree teams;
    private final TransactionTemplate transactions;
    private final String nobodysHash;

    Accounts(
            AccountRepository accounts,
            SignInThrottle throttle,
            PasswordRules rules,
            OneTimeLinks links,
            PasswordEncoder passwords,
            PracticeCalendar calendar,
            ApplicationEventPublisher events,
            OpenSessionStore sessions,
            ObjectProvider<SensitiveThings> sensitive,
            ObjectProvider<OwnPeople> ownPeople,
            TeamTree teams,
            TransactionTemplate transactions) {
        this.sensitive = sensitive;
        this.ownPeople = ownPeople;
        this.teams = teams;
        this.accounts = accounts;
        this.throttle = throttle;
        this.rules = rules;
        this.links = links;
        this.passwords = passwords;
        this.calendar = calendar;
        this.events = events;
        this.sessions = sessions;
        this.transactions = transactions;
        this.nobodysHash = passwords.encode("nobody has this password");
    }

    /**
     * @throws Refusal when address and password do not belong together, the account is closed, or there were too many
     *     failures lately; a failure is remembered
     */
    public Viewer signIn(String email, String password, String address) {
        String normal = Account.normal(email);
        if (normal.length() > LONGEST_ADDRESS || password.length() > PasswordRules.LONGEST) {
            throw wrong();
        }
        Instant now = calendar.now();
        transactions.executeWithoutResult(t -> throttle.count(normal, address, now));
        // hashing is slow on purpose, and holds neither a lock nor a connection
        Optional<Account> account = accounts.findByEmail(normal).filter(Account::isOpen);
        String hash = account.map(Account::passwordHash).orElse(nobodysHash);
        boolean right = passwords.matches(password, hash == null ? nobodysHash : hash);
        if (account.isEmpty() || hash == null || !right) {
            account.ifPresent(known -> noteFailure(known, normal, address, "password"));
            throw wrong();
        }
        return transactions.execute(t -> {
            throttle.succeeded(normal, address, now);
            return viewer(account.get().id()).orElseThrow(Accounts::wrong);
        });
    }

    /**
     * Looks at something that an account shows besides its password; guessing is slowed down as for passwords.
     *
     * @param address from which it is shown
     * @param isRight looks at it
     * @param words of the refusal when it is wrong
     */
    public void checkOnce(Viewer viewer, String address, BooleanSupplier isRight, String words) {
        String guessed = "code of " + viewer.email();
        Instant now = calendar.now();
        transactions.executeWithoutResult(t -> throttle.count(guessed, address, now));
        if (!isRight.getAsBoolean()) {
            accounts.findById(viewer.accountId()).ifPresent(known -> noteFailure(known, guessed, address, "code"));
            throw Refusal.invalid("code", words);
        }
        transactions.executeWithoutResult(t -> throttle.succeeded(guessed, address, now));
    }

    /** Whether this is the password of an open account. Hashing is slow on purpose. */
    public boolean isPassword(UUID accountId, String password) {
        String hash = accounts.findById(accountId)
                .filter(Account::isOpen)
                .map(Account::passwordHash)
                .orElse(null);
        boolean right = passwords.matches(password, hash == null ? nobodysHash : hash);
        return hash != null && right && password.length() <= PasswordRules.LONGEST;
    }

    private static Refusal wrong() {
        return Refusal.notSignedIn("Address and password do not belong together. Check both and try again.");
    }

    /** A row of the trail for the first failures and then for few of them: rows stay for good. */
    private void noteFailure(Account known, String email, String address, String what) {
        transactions.executeWithoutResult(t -> {
            int failures = throttle.failures(email, address);
            if (failures <= SignInThrottle.FREE || Integer.bitCount(failures) == 1) {
                events.publishEvent(new SignInRefused(
                        known.email(), "wrong " + what + (failures > 1 ? ", the " + failures + "th in a row" : "")));
            }
        });
    }

    /** Notes that the holder of an account came in. @param how as it follows “signed in” */
    @Transactional
    public Viewer cameIn(UUID accountId, String how) {
        Account account = accounts.findById(accountId).filter(Account::isOpen).orElseThrow(Accounts::wrong);
        account.visited(calendar.now());
        events.publishEvent(new SignedIn(account.actor(), how));
        return viewerOf(account);
    }

    /** Ends an account at once, with its sessions and its links. @throws Refusal for one's own account */
    @Transactional
    public void close(Viewer administrator, UUID accountId) {
        administrator.requireAdministrator();
        if (administrator.accountId().equals(accountId)) {
            throw Refusal.conflict("own-account", "Somebody else has to close your own account.");
        }
        Account account = accounts.findById(accountId).orElseThrow(() -> Refusal.notFound("account"));
        account.close();
        links.endAll(accountId, calendar.now());
        sessions.endAll(accountId);
        events.publishEvent(new AccountClosed(administrator.actor(), account.name(), account.email()));
    }

    /** All accounts of those who work or worked here, by their names. */
    @Transactional(readOnly = true)
    public List<StaffAccount> everyAccount(Viewer administrator) {
        administrator.requireAdministrator();
        return accounts.findByRoleInOrderByName(STAFF).stream()
                .map(Account::staff)
                .toList();
    }

    /**
     * Changes what an account is and may; its address stays. Its open sessions have the new rights at once.
     *
     * @throws Refusal when somebody changed it since that version, or one would take one's own rights away
     */
    @Transactional
    public StaffAccount change(Viewer administrator, UUID accountId, int version, NewAccount to) {
        Account account = staffAccount(administrator, accountId);
        if (account.version() != version) {
            throw Refusal.changedMeanwhile("this account");
        }
        requireDeputy(to, accountId);
        meetTeams(to.scope());
        boolean isOwn = administrator.accountId().equals(accountId);
        if (isOwn && to.role() != Role.ADMINISTRATOR) {
            throw Refusal.conflict("own-account", "Somebody else has to take rights from your own account.");
        }
        String before = account.staff().toString();
        account.change(to);
        if (!before.equals(account.staff().toString())) {
            events.publishEvent(new AccountChanged(administrator.actor(), account.name(), account.email(), words(to)));
        }
        return accounts.save(account).staff();
    }

    private static String words(NewAccount to) {
        return (to.role() == Role.ADMINISTRATOR ? "administrator, " : "colleague, ")
                + to.scope().words();
    }

    /** For a while nobody signs in to an account, or from now on again. @throws Refusal for one's own account */
    @Transactional
    public void pause(Viewer administrator, UUID accountId, boolean isPaused) {
        Account account = staffAccount(administrator, accountId);
        if (administrator.accountId().equals(accountId)) {
            throw Refusal.conflict("own-account", "Somebody else has to pause your own account.");
        }
        account.pause(isPaused);
        if (isPaused) {
            sessions.endAll(accountId);
        }
        events.publishEvent(new AccountChanged(
                administrator.actor(), account.name(), account.email(), isPaused ? "paused" : "no longer paused"));
    }

    /** What belongs to a key lets nobody in any more. */
    @Transactional
    public void endProgram(UUID accountId) {
        accounts.findById(accountId)
                .filter(a -> a.role() == Role.PROGRAM)
                .orElseThrow(() -> Refusal.notFound("key"))
                .close();
    }

    private Account staffAccount(Viewer administrator, UUID accountId) {
        administrator.requireAdministrator();
        return accounts.findById(accountId)
                .filter(a -> a.role().worksHere())
                .orElseThrow(() -> Refusal.notFound("account"));
    }

    /** All sessions end when they were not used for so long, also those that are open. */
    @Transactional
    public void limitIdle(Duration idle) {
        sessions.limitIdle(idle);
    }

    /** Where an account is signed in, the last used first. @param current id of the session that asks */
    @Transactional(readOnly = true)
    public List<OpenSession> sessions(Viewer viewer, String current) {
        return sessions.of(viewer.accountId(), current);
    }

    /** Ends every session of an account but the one that asks. */
    @Transactional
    public void endOtherSessions(Viewer viewer, String current) {
        sessions.endOthers(viewer.accountId(), current);
    }

    /** Opens a closed account again; its holder signs in as before. */
    @Transactional
    public void openAgain(Viewer administrator, UUID accountId) {
        administrator.requireAdministrator();
        Account account = accounts.findById(accountId).orElseThrow(() -> Refusal.notFound("account"));
        account.openAgain();
        events.publishEvent(new AccountOpened(administrator.actor(), account.name(), account.email()));
    }

    private Viewer viewerOf(Account account) {
        Scope scope = account.scope();
        return scope.seesSensitive()
                ? account.viewer(sightOf(account), Set.of(), Set.of())
                : account.viewer(
                        sightOf(account),
                        hiddenTypes(scope),
                        sensitive.stream().flatMap(s -> s.facts().stream()).collect(Collectors.toSet()));
    }

    private Set<String> hiddenTypes(Scope scope) {
        return sensitive.stream()
                .flatMap(s -> s.typesWithSections().entrySet().stream())
                .filter(type -> !scope.seesSections().contains(type.getValue()))
                .map(Map.Entry::getKey)
                .filter(type -> !scope.seesTypes().contains(type))
                .collect(Collectors.toSet());
    }

    private Sight sightOf(Account account) {
        Scope scope = account.scope();
        if (scope.reach() == Reach.EVERYBODY) {
            return Sight.EVERYBODY;
        }
        UUID ownFile = account.post().ownFile();
        return new Sight(
                false,
                teams.tree().seen(scope.reach(), scope.team(), scope.leads()),
                ownFile == null
                        ? Set.of()
                        : ownPeople.stream()
                                .flatMap(o -> o.inChargeOf(ownFile).stream())
                                .collect(Collectors.toSet()));
    }

    /** By what right a colleague sees a file of a team, in words. */
    @Transactional(readOnly = true)
    public String why(Viewer colleague, @Nullable String team) {
        Scope scope = accounts.findById(colleague.accountId()).orElseThrow().scope();
        if (scope.reach() == Reach.EVERYBODY) {
            return "sees everybody";
        }
        if (team != null
                && scope.leads().stream().anyMatch(led -> teams.tree().in(led).contains(team))) {
            return "leads " + team;
        }
        return team != null && colleague.sight().teams().contains(team)
                ? switch (scope.reach()) {
                    case AREA -> "same area as " + scope.team();
                    case DEPARTMENT -> "same department as " + scope.team();
                    default -> "team " + scope.team();
                }
                : "in charge of the person";
    }

    /** Those for whom an account stands in today, and itself. */
    @Transactional(readOnly = true)
    public Set<UUID> actsFor(Viewer viewer) {
        Set<UUID> all = accounts.findByDeputyAndClosedFalse(viewer.accountId()).stream()
                .filter(a -> viewer.accountId().equals(a.deputyOn(calendar.today())))
                .map(Account::id)
                .collect(Collectors.toCollection(HashSet::new));
        all.add(viewer.accountId());
        return all;
    }

    /** Who signs in a role of the practice's own, such as {@code director}; empty when nobody does, or several. */
    @Transactional(readOnly = true)
    public Optional<String> signsAs(String role) {
        return signerAs(role).map(Viewer::name);
    }

    /** The colleague who signs in a role; empty when nobody does, or several do. */
    @Transactional(readOnly = true)
    public Optional<Viewer> signerAs(String role) {
        List<Account> all = accounts.findByRoleInAndClosedFalseAndPausedFalseOrderByName(STAFF).stream()
                .filter(a -> role.equalsIgnoreCase(a.post().signsAs()))
                .toList();
        return all.size() == 1 ? Optional.of(viewerOf(all.get(0))) : Optional.empty();
    }

    /** Those whose own file this is, and who can sign in. */
    @Transactional(readOnly = true)
    public List<UUID> withOwnFile(UUID file) {
        return accounts.findByOwnFileAndClosedFalseAndPausedFalse(file).stream()
                .map(Account::id)
                .toList();
    }

    /** Whether a one-time link of an account can still be used. */
    @Transactional(readOnly = true)
    public boolean hasOpenLink(UUID accountId) {
        return links.hasOpen(accountId, calendar.now());
    }

    /** What an account is in the practice. */
    @Transactional(readOnly = true)
    public Post postOf(UUID accountId) {
        return accounts.findById(accountId).map(Account::post).orElse(Post.NONE);
    }

    /** The account with its present rights; empty when it does not exist or is closed. */
    public Optional<Viewer> viewer(UUID accountId) {
        return accounts.findById(accountId).filter(Account::isOpen).map(this::viewerOf);
    }

    /** When somebody last came in; empty when that was never. */
    @Transactional(readOnly = true)
    public Optional<Instant> lastVisit(UUID accountId) {
        return accounts.findById(accountId).map(Account::visitedAt);
    }

    /** For telling who somebody is; a closed account may do nothing. */
    public Optional<Viewer> viewerEvenIfClosed(UUID accountId) {
        return accounts.findById(accountId).map(this::viewerOf);
    }

    public Optional<Viewer> viewerByEmail(String email) {
        return accounts.findByEmail(Account.normal(email)).map(this::viewerOf);
    }

    /** Whose these addresses are, by the address as it is kept; those that nobody has are left out. */
    @Transactional(readOnly = true)
    public Map<String, Viewer> viewersByEmail(Collection<String> emails) {
        if (emails.isEmpty()) {
            return Map.of();
        }
        List<String> kept = emails.stream().map(Account::normal).distinct().toList();
        return accounts.findByEmailIn(kept).stream().collect(Collectors.toMap(Account::email, this::viewerOf));
    }

    /** An address as accounts keep it. */
    public static String normal(String email) {
        return Account.normal(email);
    }

    /** All who work here, by their names; guests and closed accounts are left out. */
    @Transactional(readOnly = true)
    public List<Viewer> staff() {
        return accounts.findByRoleInAndClosedFalseAndPausedFalseOrderByName(STAFF).stream()
                .map(this::viewerOf)
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
        return accounts.findByIdIn(ids).stream().map(this::viewerOf).toList();
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
        if (from.email() != null
                && accounts.findByEmail(Account.normal(from.email())).isPresent()) {
            throw Refusal.conflict("account-exists", "There is already an account with the address " + from.email());
        }
        requireDeputy(from, null);
        meetTeams(from.scope());
        return viewerOf(accounts.save(new Account(from, calendar.now())));
    }

    private void requireDeputy(NewAccount of, @Nullable UUID id) {
        UUID deputy = of.post().deputy();
        if (deputy != null
                && (deputy.equals(id)
                        || accounts.findById(deputy)
                                .filter(a -> a.role().worksHere() && a.isOpen())
                                .isEmpty())) {
            throw Refusal.invalid("post.deputy", "Choose somebody else who works here.");
        }
    }

    private void meetTeams(Scope scope) {
        Stream.concat(Stream.ofNullable(scope.team()), scope.leads().stream()).forEach(teams::meet);
    }

    /** Sets a password without a link, for first administrators and demo accounts. */
    @Transactional
    public void setPassword(UUID accountId, String password) {
        accounts.findById(accountId).orElseThrow().setPasswordHash(passwords.encode(password));
        sessions.endAll(accountId);
    }

    /** A secret for a link with which the account's holder sets a password, once, within seven days; it ends older ones. */
    @Transactional
    public String issueLink(UUID accountId) {
        links.endAll(accountId, calendar.now());
        return links.issue(accountId, calendar.now());
    }

    /** Whether the last link is long enough ago for another one. */
    @Transactional(readOnly = true)
    public boolean mayBeSentALink(UUID accountId) {
        return !links.isIssuedSince(accountId, calendar.now().minus(BETWEEN_LINKS));
    }

    /** Links that were sent to the account's holder end. */
    @Transactional
    public void endLinks(UUID accountId) {
        links.endAll(accountId, calendar.now());
    }

    /** Whose link this is. @throws Refusal when it is unknown, used or expired */
    @Transactional(readOnly = true)
    public Viewer holderOf(String token) {
        return accounts.findById(links.usable(token, calendar.now()).accountId())
                .map(this::viewerOf)
                .orElseThrow(() -> Refusal.notFound("invitation"));
    }

    /**
     * Uses up the link, and with it every other of the account, sets the password, and ends the sessions begun under the
     * former one.
     *
     * @throws Refusal as above, or when the password is not accepted
     */
    public Viewer setPasswordByLink(String token, String password) {
        Account holder = accounts.findById(transactions.execute(
                        t -> links.usable(token, calendar.now()).accountId()))
                .orElseThrow();
        rules.check(password, holder.name(), holder.email());
        String hash = passwords.encode(password);
        return transactions.execute(t -> {
            OneTimeLink link = links.usable(token, calendar.now());
            Account account = accounts.findById(link.accountId())
                    .filter(Account::isOpen)
                    .orElseThrow(() -> Refusal.gone("account-closed", "This account is closed."));
            account.setPasswordHash(hash);
            link.use(calendar.now());
            links.endAll(account.id(), calendar.now());
            sessions.endAll(account.id());
            events.publishEvent(new PasswordSet(account.actor()));
            return viewerOf(account);
        });
    }
}
