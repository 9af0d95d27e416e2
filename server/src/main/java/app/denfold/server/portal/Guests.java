package app.denfold.server.portal;

import app.denfold.core.sharing.Granted;
import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Guests of a file: invited, what they may, and when that ends. */
@Service
public class Guests {

    private static final int MOST_FILES = 500;

    private final Accounts accounts;
    private final GuestRightRepository rights;
    private final ShareRepository shares;
    private final Asks asks;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    Guests(
            Accounts accounts,
            GuestRightRepository rights,
            ShareRepository shares,
            Asks asks,
            PersonFiles files,
            Catalog catalog,
            Outbox outbox,
            AuditTrail trail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.accounts = accounts;
        this.rights = rights;
        this.shares = shares;
        this.asks = asks;
        this.files = files;
        this.catalog = catalog;
        this.outbox = outbox;
        this.trail = trail;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /**
     * Makes someone a guest of a file with the usual rights; a newcomer gets a mail with a one-time link.
     *
     * @return the guest's account id
     * @throws Refusal when the address belongs to staff, or is a guest of this file already
     */
    @Transactional
    public UUID invite(Viewer viewer, UUID fileId, String name, String email, String relation) {
        return invite(viewer, List.of(fileId), name, email, relation, Granted.usual());
    }

    /**
     * Makes someone a guest of files. Who has no account yet gets one mail with a one-time link, however many files they
     * are; who has one gets no new key but is told.
     *
     * @return the guest's account id
     * @throws Refusal when the address belongs to staff, or is a guest of one of these files already
     */
    @Transactional
    public UUID invite(Viewer viewer, List<UUID> fileIds, String name, String email, String relation, Granted granted) {
        viewer.requireChange();
        if (fileIds.isEmpty() || fileIds.size() > MOST_FILES) {
            throw Refusal.invalid("files", "Choose from 1 to " + MOST_FILES + " files.");
        }
        requireAhead(granted);
        List<PersonFile> chosen =
                fileIds.stream().distinct().map(id -> files.visible(viewer, id)).toList();
        Optional<Viewer> known = accounts.viewerByEmail(email);
        if (known.isPresent() && known.get().role() != Role.GUEST) {
            throw Refusal.invalid("email", "This address belongs to a colleague's account, not to a guest.");
        }
        Viewer guest = known.orElseGet(() -> accounts.open(NewAccount.guest(email, name.strip())));
        chosen.forEach(file -> add(viewer, file, guest, relation, granted));
        boolean isNew = known.isEmpty();
        if (isNew || !accounts.hasPassword(guest.accountId()) && !accounts.hasOpenLink(guest.accountId())) {
            sendLink(viewer, chosen.get(0), guest);
        } else if (accounts.hasPassword(guest.accountId())) {
            tellOfFiles(viewer, chosen, guest);
        }
        return guest.accountId();
    }

    private void add(Viewer viewer, PersonFile file, Viewer guest, String relation, Granted granted) {
        Optional<GuestRight> former = rights.findByAccountIdAndFileId(guest.accountId(), file.id());
        if (former.filter(r -> r.granted().holdsOn(calendar.today())).isPresent()) {
            throw Refusal.conflict(
                    "guest-already", guest.name() + " is a guest of the file of " + file.name() + " already.");
        }
        former.ifPresent(r -> {
            rights.delete(r);
            rights.flush();
        });
        rights.save(new GuestRight(guest.accountId(), file.id(), relation, granted, calendar.now()));
        asks.takeUp(file.id(), guest);
        files.noteContact(file.id(), guest.email());
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "guest-invited",
                file.id(),
                "made " + guest.name() + " (" + relation + ") a guest of the file: " + words(granted)));
    }

    private void requireAhead(Granted granted) {
        if (!granted.holdsOn(calendar.today())) {
            throw Refusal.invalid("until", "Choose a day that is not past.");
        }
    }

    private String words(Granted granted) {
        return granted.words(catalog.sections().stream().collect(Collectors.toMap(Section::code, Section::label)));
    }

    private void tellOfFiles(Viewer viewer, List<PersonFile> chosen, Viewer guest) {
        String whose = chosen.size() == 1
                ? chosen.get(0).name().equals(guest.name())
                        ? "your file"
                        : chosen.get(0).name()
                : chosen.size() + " more people";
        String body = "Dear " + guest.name() + ",\n\n" + settings.name() + " now shares papers about " + whose
                + " with you as well. Sign in as before:\n\n  " + address + "\n\nKind regards,\n" + viewer.name() + "\n"
                + settings.look().closing();
        outbox.queue(
                viewer,
                new Message(
                        chosen.get(0).id(), "share", guest.email(), "More in the portal of " + settings.name(), body));
    }

    /**
     * What a guest may in a file from now on.
     *
     * @throws Refusal when the account is no guest of this file
     */
    @Transactional
    public void grant(Viewer viewer, UUID fileId, UUID accountId, String relation, Granted granted) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        requireAhead(granted);
        GuestRight right = rights.findByAccountIdAndFileId(accountId, fileId)
                .orElseThrow(() -> Refusal.notFound("guest of this file"));
        right.grant(relation.strip(), granted);
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "guest-rights",
                fileId,
                "changed what "
                        + accounts.viewerEvenIfClosed(accountId).orElseThrow().name() + " may in the file: "
                        + words(granted)));
    }

    /**
     * Ends at once all that a guest may do and see in a file: what is shared with him there, and what he is asked for.
     * Papers he sent stay. Links that were sent to him end with his last file.
     *
     * @throws Refusal when the viewer may not change the file, or the account is no guest of it
     */
    @Transactional
    public void end(Viewer viewer, UUID fileId, UUID accountId) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        GuestRight right = rights.findByAccountIdAndFileId(accountId, fileId)
                .orElseThrow(() -> Refusal.notFound("guest of this file"));
        shares.findByAccountIdAndFileIdAndWithdrawnAtIsNull(accountId, fileId).forEach(s -> s.withdraw(calendar.now()));
        asks.endAll(viewer, fileId, accountId);
        rights.delete(right);
        if (rights.findByAccountId(accountId).stream().allMatch(r -> r.id().equals(right.id()))) {
            accounts.endLinks(accountId);
        }
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "guest-ended",
                fileId,
                accounts.viewerEvenIfClosed(accountId).map(Viewer::name).orElse("a guest")
                        + " is no longer a guest of the file"));
    }

    /** Somebody who may see what is shared of a file. @param mayAdd whether they may send papers for it */
    public record GuestOf(UUID accountId, String name, String relation, Granted granted, boolean mayAdd) {}

    /** The guests of a file, whoever asks. */
    @Transactional(readOnly = true)
    public List<GuestOf> of(UUID fileId) {
        return rights.findByFileId(fileId).stream()
                .filter(r -> r.granted().holdsOn(calendar.today()))
                .flatMap(r -> accounts.viewer(r.accountId()).stream()
                        .map(v -> new GuestOf(
                                v.accountId(),
                                v.name(),
                                r.relation(),
                                r.granted(),
                                r.granted().allowsSomewhere(Deed.ADD, calendar.today()))))
                .toList();
    }

    /** Sends a fresh one-time link to a guest who has no password yet. */
    @Transactional
    public void inviteAgain(Viewer viewer, UUID fileId, UUID accountId) {
        viewer.requireChange();
        PersonFile file = files.visible(viewer, fileId);
        Viewer guest = guestOf(fileId, accountId);
        if (accounts.hasPassword(accountId)) {
            throw Refusal.conflict("has-password", guest.name() + " has a password already and can sign in.");
        }
        sendLink(viewer, file, guest);
    }

    private void sendLink(Viewer viewer, PersonFile file, Viewer guest) {
        String link = address + "/invitation/" + accounts.issueLink(guest.accountId());
        String body = "Dear " + guest.name() + ",\n\n" + settings.name()
                + " shares papers about " + (file.name().equals(guest.name()) ? "your file" : file.name())
                + " with you in its portal.\n\nOpen this link once, within seven days, to choose a password:\n\n  "
                + link
                + "\n\nWhoever holds the link can come in, so do not pass it on.\n\nKind regards,\n" + viewer.name()
                + "\n"
                + settings.look().closing();
        outbox.queue(
                viewer,
                new Message(
                        file.id(),
                        "invitation",
                        guest.email(),
                        "Your access to the portal of " + settings.name(),
                        body));
    }

    /** @throws Refusal when the account is no guest of this file */
    Viewer guestOf(UUID fileId, UUID accountId) {
        rights.findByAccountIdAndFileId(accountId, fileId)
                .filter(r -> r.granted().holdsOn(calendar.today()))
                .orElseThrow(() -> Refusal.notFound("guest of this file"));
        return accounts.viewer(accountId).orElseThrow(() -> Refusal.notFound("guest of this file"));
    }
}
