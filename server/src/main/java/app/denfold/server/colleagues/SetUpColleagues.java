package app.denfold.server.colleagues;

import app.denfold.core.filing.Subject;
import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.StaffAccount;
import app.denfold.server.access.secondfactor.SecondFactors;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.portal.Guests;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Invites people who work here and says what they may. */
@Service
class SetUpColleagues {

    private final Accounts accounts;
    private final PersonFiles files;
    private final Kinds kinds;
    private final Guests guests;
    private final Catalog catalog;
    private final PracticeCalendar calendar;
    private final SecondFactors factors;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final String address;

    SetUpColleagues(
            Accounts accounts,
            PersonFiles files,
            Kinds kinds,
            Guests guests,
            Catalog catalog,
            PracticeCalendar calendar,
            SecondFactors factors,
            Outbox outbox,
            AuditTrail trail,
            PracticeSettings settings,
            @Value("${denfold.address}") String address) {
        this.accounts = accounts;
        this.files = files;
        this.kinds = kinds;
        this.guests = guests;
        this.catalog = catalog;
        this.calendar = calendar;
        this.factors = factors;
        this.outbox = outbox;
        this.trail = trail;
        this.settings = settings;
        this.address = address;
    }

    /**
     * Opens an account and writes to its holder, who chooses a password through a link within seven days.
     *
     * @return the account's id
     * @throws Refusal when the address has an account already, or nobody could be what is said
     */
    @Transactional
    UUID invite(Viewer viewer, ColleagueDetails details) {
        viewer.requireAdministrator();
        requireOwnFile(viewer, details);
        Viewer invited = accounts.open(details.asAccount());
        trail.record(AuditEntry.general(
                viewer.actor(), "account-invited", "invited " + invited.name() + " (" + invited.email() + ")"));
        sendLink(viewer, invited, true);
        return invited.accountId();
    }

    @Transactional
    StaffAccount change(Viewer viewer, UUID id, int version, ColleagueDetails details) {
        requireOwnFile(viewer, details);
        return accounts.change(viewer, id, version, details.asAccount());
    }

    private void requireOwnFile(Viewer viewer, ColleagueDetails details) {
        UUID own = details.post().ownFile();
        if (own != null && !files.maySee(viewer, own)) {
            throw Refusal.invalid("post.ownFile", "There is no such file.");
        }
        if (own != null && kinds.kind(files.file(own).kind()).subject() == Subject.PRACTICE) {
            throw Refusal.invalid("post.ownFile", "That is a file of the practice, not of a person.");
        }
    }

    /** Writes to the holder of an account once more, with a fresh link to choose a password; older links end. */
    @Transactional
    void sendLinkAgain(Viewer viewer, UUID id) {
        viewer.requireAdministrator();
        Viewer holder = accounts.viewer(id)
                .filter(v -> v.role().worksHere())
                .orElseThrow(() -> Refusal.conflict("not-open", "This account is paused or ended; open it first."));
        sendLink(viewer, holder, !accounts.hasPassword(id));
    }

    /** Takes away the second factor of an account whose holder lost the device; guests' too. */
    @Transactional
    void endSecondFactor(Viewer viewer, UUID id) {
        viewer.requireAdministrator();
        factors.reset(viewer, accounts.viewerEvenIfClosed(id).orElseThrow(() -> Refusal.notFound("account")));
    }

    private void sendLink(Viewer by, Viewer holder, boolean isNew) {
        String link = address + "/invitation/" + accounts.issueLink(holder.accountId());
        String why = isNew
                ? by.name() + " has opened an account for you at " + settings.name() + "."
                : "Here you can choose a new password for your account at " + settings.name() + ".";
        String body = "Dear " + holder.name() + ",\n\n" + why
                + "\n\nOpen this link once, within seven days, to choose a password:\n\n  " + link
                + "\n\nWhoever holds the link can come in, so do not pass it on.\n\nKind regards,\n"
                + settings.look().closing();
        String subject = isNew ? "Your account at " + settings.name() : "A new password at " + settings.name();
        outbox.queue(by, Message.ofNoFile("account", holder.email(), subject, body));
    }

    /**
     * Somebody who may see a file.
     *
     * @param why by what right: {@code administrator}, {@code every team}, {@code team Therapy} or {@code guest, guardian}
     * @param seesSensitive whether papers of sensitive types as well
     * @param mayChange whether more than looking
     */
    record WhoSees(
            UUID accountId,
            String name,
            @Nullable String title,
            String why,
            boolean isGuest,
            boolean seesSensitive,
            boolean mayChange) {}

    private Map<String, String> sectionLabels() {
        return catalog.sections().stream().collect(Collectors.toMap(Section::code, Section::label));
    }

    /** Everybody who may see a file now, colleagues first. */
    @Transactional(readOnly = true)
    List<WhoSees> whoSees(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        List<WhoSees> all = new ArrayList<>();
        for (Viewer colleague : accounts.staff()) {
            if (files.maySee(colleague, fileId)) {
                String why = colleague.isAdministrator() ? "administrator" : accounts.why(colleague, file.team());
                all.add(new WhoSees(
                        colleague.accountId(),
                        colleague.name(),
                        accounts.titles(List.of(colleague.name())).get(colleague.name()),
                        why,
                        false,
                        colleague.seesSensitive(),
                        colleague.mayChange()));
            }
        }
        guests.of(fileId)
                .forEach(guest -> all.add(new WhoSees(
                        guest.accountId(),
                        guest.name(),
                        null,
                        "guest, " + guest.relation() + ": "
                                + (guest.granted().allowsSomewhere(Deed.SEE, calendar.today())
                                        ? guest.granted().words(sectionLabels())
                                        : "what is shared"),
                        true,
                        false,
                        guest.mayAdd())));
        return all;
    }
}
