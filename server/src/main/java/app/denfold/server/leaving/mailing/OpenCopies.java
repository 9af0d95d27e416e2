package app.denfold.server.leaving.mailing;

import app.denfold.core.signing.ShortAddress;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.Documents;
import app.denfold.server.leaving.CopiesOut;
import app.denfold.server.leaving.CopiesOut.Fetched;
import app.denfold.server.leaving.CopiesOut.Given;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Copies behind a link, for whoever holds it and shows the code that was sent to the same address. */
@Service
class OpenCopies {

    private final CopyLinkRepository links;
    private final CopyMailRepository mails;
    private final LinkCodes codes;
    private final CopiesOut copies;
    private final Documents documents;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    OpenCopies(
            CopyLinkRepository links,
            CopyMailRepository mails,
            LinkCodes codes,
            CopiesOut copies,
            Documents documents,
            Outbox outbox,
            AuditTrail trail,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.links = links;
        this.mails = mails;
        this.codes = codes;
        this.copies = copies;
        this.documents = documents;
        this.outbox = outbox;
        this.trail = trail;
        this.settings = settings;
        this.calendar = calendar;
    }

    /**
     * What is told before a code was shown: nothing about the papers.
     *
     * @param to shortened address to which the code goes
     */
    record CopyDoor(String practice, String to, boolean open) {}

    @Transactional(readOnly = true)
    public CopyDoor door(String token, @Nullable String key) {
        CopyLink link = links.findByTokenHash(Secrets.hash(token)).orElseThrow(LinkCodes::unknown);
        return new CopyDoor(settings.name(), ShortAddress.of(mail(link).address()), codes.isOpenFor(link, key));
    }

    private CopyMail mail(CopyLink link) {
        CopyMail mail = mails.findById(link.mailId()).orElseThrow(LinkCodes::unknown);
        if (mail.isOver(calendar.today())) {
            throw Refusal.gone("link-ended", "This link has ended. Ask the practice to send the papers again.");
        }
        return mail;
    }

    /** Sends a code to the address to which the link went. @throws Refusal when the link leads nowhere, or one was sent just now */
    @Transactional
    public void sendCode(String token) {
        CopyLink link = links.lock(Secrets.hash(token)).orElseThrow(LinkCodes::unknown);
        CopyMail mail = mail(link);
        String code = codes.newCode(link);
        outbox.queue(
                Viewer.product(),
                Message.aboutPaper(
                        mail.fileId(),
                        null,
                        types(mail),
                        "code",
                        mail.address(),
                        "Your code for the papers of " + settings.name(),
                        "Dear " + mail.reader() + ",\n\nwith this code you open the papers of " + settings.name()
                                + ":\n\n" + LinkCodes.inMail(code)
                                + "\n\nIt holds for 15 minutes. If you did not ask for it, somebody else has your link: tell us.\n\n"
                                + settings.look().closing()));
    }

    private Collection<String> types(CopyMail mail) {
        return copies.ofMail(mail.id()).stream()
                .flatMap(c -> documents.document(c.documentId()).types().stream())
                .collect(Collectors.toSet());
    }

    /** To be followed by {@link LinkCodes.Tried#keyOrRefuse}. @throws Refusal when the link leads nowhere, or no code was sent lately */
    @Transactional
    public LinkCodes.Tried enter(String token, String code) {
        CopyLink link = links.lock(Secrets.hash(token)).orElseThrow(LinkCodes::unknown);
        mail(link);
        return codes.enter(link, code);
    }

    private CopyMail entered(String token, @Nullable String key) {
        CopyLink link = links.findByTokenHash(Secrets.hash(token)).orElseThrow(LinkCodes::unknown);
        CopyMail mail = mail(link);
        if (!codes.isOpenFor(link, key)) {
            throw LinkCodes.noCode();
        }
        return mail;
    }

    /** A copy behind the link. @param pages 0 where it can only be downloaded */
    record LinkedCopy(UUID id, String name, int pages) {}

    /** @param endsOn up to and including which day the link leads to them */
    record LinkedCopies(String practice, String reader, String by, LocalDate endsOn, List<LinkedCopy> copies) {}

    /** What lies behind the link. The first time is noted for those who sent it. @throws Refusal when no right code was shown lately */
    @Transactional
    public LinkedCopies all(String token, @Nullable String key) {
        CopyMail mail = mails.lock(entered(token, key).id()).orElseThrow(LinkCodes::unknown);
        if (mail.opened(calendar.now())) {
            trail.record(AuditEntry.ofFile(
                            Actor.system(mail.reader()),
                            "copies-opened",
                            mail.fileId(),
                            "opened the papers that " + mail.byName() + " sent to " + mail.address())
                    .about(types(mail)));
        }
        return new LinkedCopies(
                settings.name(),
                mail.reader(),
                mail.byName(),
                Objects.requireNonNull(mail.endsOn()),
                copies.ofMail(mail.id()).stream()
                        .map(c ->
                                new LinkedCopy(c.id(), c.file().name(), c.file().pages()))
                        .toList());
    }

    private Given one(String token, @Nullable String key, UUID copy) {
        return copies.ofMail(entered(token, key).id()).stream()
                .filter(c -> c.id().equals(copy))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("copy"));
    }

    @Transactional(readOnly = true)
    public String sha256(String token, @Nullable String key, UUID copy) {
        return one(token, key, copy).file().sha256();
    }

    /** The copy, to be kept by its reader. */
    @Transactional
    public Fetched fetch(String token, @Nullable String key, UUID copy) {
        CopyMail mail = entered(token, key);
        Given given = one(token, key, copy);
        trail.record(new AuditEntry(
                Actor.system(mail.reader()),
                "copy-fetched",
                mail.fileId(),
                given.documentId(),
                "downloaded copy " + given.number() + " by the link that went to " + mail.address()));
        return given.file();
    }
}
