package app.denfold.server.access.keys;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.access.AccessEvents.KeyEnded;
import app.denfold.server.access.AccessEvents.KeyMade;
import app.denfold.server.access.AccessEvents.KeyUsed;
import app.denfold.server.access.KeyScope;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Role;
import app.denfold.server.access.SignedInProgram;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Post;
import app.denfold.server.access.accounts.Scope;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keys with which programs ask: made by an administrator, for few things, until a day. */
@Service
public class ProgramKeys {

    /** What every key begins with, so that one left lying about is recognised. */
    private static final String PREFIX = "denfold_";

    private static final Duration BETWEEN_NOTES = Duration.ofMinutes(1);

    private final ProgramKeyRepository keys;
    private final Accounts accounts;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    ProgramKeys(
            ProgramKeyRepository keys, Accounts accounts, PracticeCalendar calendar, ApplicationEventPublisher events) {
        this.keys = keys;
        this.accounts = accounts;
        this.calendar = calendar;
        this.events = events;
    }

    /** A key as an administrator sees it. @param usedAt when it was last used, to the minute; null when never */
    record KeyAnswer(
            UUID id,
            String name,
            Set<KeyScope> scopes,
            boolean seesSensitive,
            @Nullable LocalDate until,
            boolean ended,
            String madeBy,
            Instant madeAt,
            @Nullable Instant usedAt) {}

    @Transactional(readOnly = true)
    List<KeyAnswer> all(Viewer viewer) {
        viewer.requireAdministrator();
        return keys.findAllByOrderByMadeAtDesc().stream()
                .map(key -> {
                    Viewer program =
                            accounts.viewerEvenIfClosed(key.accountId()).orElseThrow();
                    boolean ended = accounts.viewer(key.accountId()).isEmpty() || !key.holdsOn(calendar.today());
                    return new KeyAnswer(
                            key.accountId(),
                            program.name(),
                            key.scopes(),
                            program.seesSensitive(),
                            key.until(),
                            ended,
                            key.madeBy(),
                            key.madeAt(),
                            key.usedAt());
                })
                .toList();
    }

    /**
     * Makes a key.
     *
     * @param until last day on which it holds; null for no end
     * @return the key itself, which is told this once and kept nowhere
     */
    @Transactional
    String make(Viewer viewer, String name, Set<KeyScope> scopes, boolean seesSensitive, @Nullable LocalDate until) {
        viewer.requireAdministrator();
        if (until != null && until.isBefore(calendar.today())) {
            throw Refusal.invalid("until", "Choose a day that is not past.");
        }
        Scope scope = new Scope(
                Reach.EVERYBODY,
                null,
                Set.of(),
                seesSensitive,
                Set.of(),
                Set.of(),
                !scopes.equals(Set.of(KeyScope.COVERAGE)),
                Marking.NOTHING);
        Viewer program = accounts.open(new NewAccount(null, name.strip(), Role.PROGRAM, scope, Post.NONE));
        String secret = PREFIX + Secrets.fresh();
        keys.save(new ProgramKey(
                program.accountId(), Secrets.hash(secret), scopes, until, viewer.name(), calendar.now()));
        events.publishEvent(new KeyMade(
                viewer.actor(),
                program.name(),
                scopes.stream()
                        .map(s -> s.name().toLowerCase(Locale.ROOT))
                        .sorted()
                        .collect(Collectors.joining(", ")),
                until == null ? "without end" : "until " + PracticeCalendar.words(until)));
        return secret;
    }

    /** The key lets nobody in any more. */
    @Transactional
    void end(Viewer viewer, UUID id) {
        viewer.requireAdministrator();
        ProgramKey key = keys.findById(id).orElseThrow(() -> Refusal.notFound("key"));
        Viewer program = accounts.viewer(key.accountId())
                .orElseThrow(() -> Refusal.conflict("key-ended", "This key has ended already."));
        accounts.endProgram(key.accountId());
        events.publishEvent(new KeyEnded(viewer.actor(), program.name()));
    }

    /**
     * Lets a program in, and writes into the trail what it asks.
     *
     * @param what method and address
     * @return empty when there is no such key, or it has ended
     */
    @Transactional
    public Optional<SignedInProgram> enter(String secret, String what) {
        Optional<ProgramKey> key = keys.findBySecretHash(Secrets.hash(secret))
                .filter(k -> k.holdsOn(calendar.today()))
                .filter(k -> accounts.viewer(k.accountId()).isPresent());
        key.ifPresent(k -> {
            Instant now = calendar.now();
            Instant before = k.usedAt();
            if (before == null || before.isBefore(now.minus(BETWEEN_NOTES))) {
                k.used(now);
            }
            events.publishEvent(
                    new KeyUsed(accounts.viewer(k.accountId()).orElseThrow().actor(), what));
        });
        return key.map(k -> new SignedInProgram(k.accountId(), k.scopes()));
    }
}
