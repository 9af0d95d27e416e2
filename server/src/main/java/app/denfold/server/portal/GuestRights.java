package app.denfold.server.portal;

import app.denfold.core.sharing.Granted;
import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The rights that hold today: those of guests, and those of colleagues in their own file. */
@Service
public class GuestRights {

    private final GuestRightRepository rights;
    private final Accounts accounts;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    GuestRights(GuestRightRepository rights, Accounts accounts, PracticeSettings settings, PracticeCalendar calendar) {
        this.rights = rights;
        this.accounts = accounts;
        this.settings = settings;
        this.calendar = calendar;
    }

    /** Of all guests of a file, whether they hold today or not, and of those whose own file it is. */
    @Transactional(readOnly = true)
    public List<GuestRight> ofFile(UUID fileId) {
        return Stream.concat(
                        rights.findByFileId(fileId).stream(),
                        accounts.withOwnFile(fileId).stream().flatMap(account -> ownFile(account).stream()))
                .toList();
    }

    /** In all files in which an account has any today. */
    @Transactional(readOnly = true)
    public List<GuestRight> of(UUID accountId) {
        return Stream.concat(
                        ownFile(accountId).stream(),
                        rights.findByAccountId(accountId).stream()
                                .filter(r -> r.granted().holdsOn(calendar.today())))
                .toList();
    }

    private Optional<GuestRight> ownFile(UUID accountId) {
        UUID ownFile = accounts.postOf(accountId).ownFile();
        Set<Deed> deeds = settings.ownFileDeeds().stream()
                .map(Deed::valueOf)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Deed.class)));
        return ownFile == null
                ? Optional.empty()
                : Optional.of(
                        GuestRight.ofOwnFile(accountId, ownFile, new Granted(deeds, Map.of(), null), Instant.EPOCH));
    }

    /** What an account may do in a file today; empty when nothing. */
    @Transactional(readOnly = true)
    public Optional<GuestRight> in(UUID accountId, UUID fileId) {
        return of(accountId).stream().filter(r -> r.fileId().equals(fileId)).findFirst();
    }

    /** Whether an account may do something in some section of a file today. */
    @Transactional(readOnly = true)
    public boolean allows(UUID accountId, UUID fileId, Deed deed) {
        return in(accountId, fileId)
                .filter(r -> r.granted().allowsSomewhere(deed, calendar.today()))
                .isPresent();
    }

    /** @throws Refusal when there is no such file for this account, or it may send nothing to it, or no longer */
    @Transactional(readOnly = true)
    public void requireAdd(Viewer viewer, UUID fileId) {
        GuestRight right = in(viewer.accountId(), fileId).orElseThrow(() -> Refusal.notFound("file"));
        if (!right.granted().allowsSomewhere(Deed.ADD, calendar.today())) {
            throw Refusal.forbidden(
                    "You may no longer send papers for this person. Nothing was sent; ask the practice about it.");
        }
    }
}
