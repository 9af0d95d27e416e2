package app.denfold.server.leaving.mailing;

import app.denfold.server.access.Role;
import app.denfold.server.access.SensitiveThings;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.Outbox.Delivery;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.leaving.CopiesOut;
import app.denfold.server.leaving.CopiesOut.Given;
import app.denfold.server.leaving.CopiesOut.Handing;
import app.denfold.server.leaving.JoinCopies;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sends copies by mail, and tells what became of it. */
@Service
class MailCopies {

    static final String PURPOSE = "copies";
    static final int LONGEST_SUBJECT = 150;
    static final int LONGEST_WORDS = 5_000;
    static final int MOST_DAYS = 90;

    /** Many mail servers take no more than 25 MB, and attached files grow by a third on their way. */
    private static final long MOST_ATTACHED = 15L * 1024 * 1024;

    private final CopyMailRepository mails;
    private final CopyLinkRepository links;
    private final CopiesOut copies;
    private final Documents documents;
    private final Contents contents;
    private final PersonFiles files;
    private final Accounts accounts;
    private final List<SensitiveThings> sensitive;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    MailCopies(
            CopyMailRepository mails,
            CopyLinkRepository links,
            CopiesOut copies,
            Documents documents,
            Contents contents,
            PersonFiles files,
            Accounts accounts,
            List<SensitiveThings> sensitive,
            Outbox outbox,
            AuditTrail trail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.mails = mails;
        this.links = links;
        this.copies = copies;
        this.documents = documents;
        this.contents = contents;
        this.files = files;
        this.accounts = accounts;
        this.sensitive = sensitive;
        this.outbox = outbox;
        this.trail = trail;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /**
     * A mail to be written.
     *
     * @param words from the salutation on; what goes with it and the closing are added
     * @param endsOn up to and including which day a link leads to the copies; null when they are attached
     * @param title of the one PDF that several become; null when each goes by itself
     * @param evenIfReadable although words that are covered can be read elsewhere in them
     */
    record Letter(
            String to,
            String subject,
            String words,
            @Nullable LocalDate endsOn,
            @Nullable String title,
            boolean evenIfReadable) {}

    /**
     * Gives copies that were looked at, and sends them.
     *
     * @throws Refusal when the viewer may not, one of them may not go to this address or this way, they are too large to be
     *     attached, or they cannot be given
     */
    @Transactional
    public UUID send(Viewer viewer, List<UUID> ids, Letter letter) {
        viewer.requireChange();
        require(letter);
        if (ids.isEmpty() || ids.size() > CopiesOut.MOST_PAPERS) {
            throw Refusal.invalid("copies", "Choose from 1 to " + CopiesOut.MOST_PAPERS + " copies.");
        }
        List<Given> drafted = copies.drafted(viewer, ids);
        List<FiledDocument> papers =
                drafted.stream().map(c -> documents.document(c.documentId())).toList();
        String to = letter.to().strip();
        requireMayGo(papers, to, letter);
        if (letter.endsOn() == null) {
            requireSmall(drafted);
        }
        UUID notice = Outbox.freshNumber();
        CopyMail mail = mails.save(new CopyMail(
                papers.get(0).fileId(),
                new CopyMail.To(drafted.get(0).reader(), to),
                new CopyMail.Shape(letter.endsOn(), letter.title()),
                notice,
                viewer,
                calendar.now()));
        String how = letter.endsOn() == null
                ? "mailed to " + to + ", attached,"
                : "mailed to " + to + ", as a link until " + PracticeCalendar.words(letter.endsOn()) + ",";
        List<Given> given = copies.give(viewer, ids, Handing.byMail(mail.id(), letter.evenIfReadable(), how));
        outbox.queue(
                notice,
                viewer,
                Message.aboutPaper(
                        mail.fileId(),
                        papers.size() == 1 ? papers.get(0).id() : null,
                        papers.stream().flatMap(p -> p.types().stream()).collect(Collectors.toSet()),
                        PURPOSE,
                        to,
                        letter.subject().strip(),
                        body(viewer, letter, mail, given)));
        return mail.id();
    }

    private void require(Letter letter) {
        if (letter.subject().isBlank() || letter.subject().length() > LONGEST_SUBJECT) {
            throw Refusal.invalid("subject", "The subject has from 1 to " + LONGEST_SUBJECT + " letters.");
        }
        if (letter.subject().chars().anyMatch(c -> c == '\n' || c == '\r')) {
            throw Refusal.invalid("subject", "The subject is one line.");
        }
        if (letter.words().length() > LONGEST_WORDS) {
            throw Refusal.invalid("words", "The mail has up to " + LONGEST_WORDS + " letters.");
        }
        if (letter.title() != null) {
            JoinCopies.requireTitle(letter.title());
        }
        LocalDate today = calendar.today();
        LocalDate ends = letter.endsOn();
        if (ends != null && (ends.isBefore(today) || ends.isAfter(today.plusDays(MOST_DAYS)))) {
            throw Refusal.invalid(
                    "endsOn", "The link ends today at the earliest, and after " + MOST_DAYS + " days at the latest.");
        }
    }

    /** What is sensitive goes to no colleague who may not see it, and to nobody in an open mail. */
    private void requireMayGo(List<FiledDocument> papers, String to, Letter letter) {
        Optional<Viewer> colleague = accounts.viewerByEmail(to).filter(v -> v.role() != Role.GUEST);
        Set<String> codes = sensitive.stream()
                .flatMap(s -> s.typesWithSections().keySet().stream())
                .collect(Collectors.toSet());
        for (FiledDocument paper : papers) {
            if (colleague.isPresent()
                    && documents.visible(colleague.get(), List.of(paper.id())).isEmpty()) {
                throw Refusal.conflict(
                        "reader-may-not", colleague.get().name() + " may not see “" + paper.name() + "”.");
            }
            if (letter.endsOn() == null && paper.types().stream().anyMatch(codes::contains)) {
                throw Refusal.conflict(
                        "sensitive-attached",
                        "“" + paper.name() + "” is sensitive: anybody who gets hold of a mail could read it. "
                                + "Send it as a link that needs a code.");
            }
        }
    }

    private void requireSmall(List<Given> given) {
        Map<String, Content> all =
                contents.contents(given.stream().map(g -> g.file().sha256()).collect(Collectors.toSet()));
        long size = all.values().stream().mapToLong(Content::size).sum();
        if (size > MOST_ATTACHED) {
            throw Refusal.conflict(
                    "too-large",
                    "Together they are %d MB, too much for a mail: %d MB can be attached. Send a link."
                            .formatted(size >> 20, MOST_ATTACHED >> 20));
        }
    }

    private String body(Viewer viewer, Letter letter, CopyMail mail, List<Given> given) {
        StringBuilder body = new StringBuilder();
        if (!letter.words().isBlank()) {
            body.append(letter.words().strip()).append("\n\n");
        }
        LocalDate ends = mail.endsOn();
        if (ends == null) {
            body.append(given.size() == 1 ? "Attached:\n\n" : "Attached, " + given.size() + " papers:\n\n");
            given.forEach(g -> body.append("  ").append(g.file().name()).append('\n'));
        } else {
            String token = Secrets.fresh();
            links.save(new CopyLink(mail.id(), token, calendar.now()));
            body.append(given.size() == 1 ? "The paper lies here" : "The " + given.size() + " papers lie here")
                    .append(" until ")
                    .append(PracticeCalendar.words(ends))
                    .append(":\n\n  ")
                    .append(address)
                    .append("/copies/")
                    .append(token)
                    .append("\n\nIt opens with a code, which we send to this address when you ask for it there.\n");
        }
        body.append("\nTo send us papers, answer this mail and attach them.\n\nKind regards,\n")
                .append(viewer.name())
                .append('\n')
                .append(settings.look().closing());
        return body.toString();
    }

    /**
     * A mail that was sent, with what became of it.
     *
     * @param copies that went with it, by their numbers, as far as the viewer may see their papers
     * @param isOver whether a link leads nowhere any more
     * @param deliveredAt when the mail server took it; null before
     * @param failure why it was not delivered; null otherwise
     */
    record MailAnswer(
            UUID id,
            List<Long> copies,
            String to,
            boolean attached,
            @Nullable LocalDate endsOn,
            boolean isOver,
            @Nullable Instant deliveredAt,
            @Nullable String failure,
            @Nullable Instant firstOpenedAt,
            @Nullable Instant lastOpenedAt) {}

    /** The last sent first. @throws Refusal when the viewer may not see the file */
    @Transactional(readOnly = true)
    public List<MailAnswer> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        List<CopyMail> all = mails.findOfFile(fileId);
        Map<UUID, Delivery> deliveries =
                outbox.deliveries(all.stream().map(CopyMail::noticeId).toList());
        Map<UUID, List<Long>> numbers =
                copies.numbers(viewer, all.stream().map(CopyMail::id).toList());
        return all.stream()
                .filter(m -> numbers.containsKey(m.id()))
                .map(m -> answer(m, numbers.getOrDefault(m.id(), List.of()), deliveries.get(m.noticeId())))
                .toList();
    }

    private MailAnswer answer(CopyMail mail, List<Long> numbers, @Nullable Delivery delivery) {
        return new MailAnswer(
                mail.id(),
                numbers,
                mail.address(),
                mail.attached(),
                mail.endsOn(),
                mail.isOver(calendar.today()),
                delivery == null ? null : delivery.deliveredAt(),
                delivery == null ? null : delivery.failure(),
                mail.firstOpenedAt(),
                mail.lastOpenedAt());
    }

    /** Ends a link before its day. @throws Refusal when the viewer may not, or it is over already */
    @Transactional
    public void end(Viewer viewer, UUID id) {
        viewer.requireChange();
        CopyMail mail = mails.lock(id).orElseThrow(() -> Refusal.notFound("mail"));
        files.visible(viewer, mail.fileId());
        if (copies.numbers(viewer, List.of(id)).isEmpty()) {
            throw Refusal.notFound("mail");
        }
        if (mail.isOver(calendar.today())) {
            throw Refusal.conflict("over", "This link ended already.");
        }
        mail.end(calendar.now());
        trail.record(AuditEntry.ofFile(
                        viewer.actor(),
                        "copy-link-ended",
                        mail.fileId(),
                        "ended the link of " + mail.reader() + " (" + mail.address() + ")")
                .about(copies.ofMail(id).stream()
                        .flatMap(c -> documents.document(c.documentId()).types().stream())
                        .collect(Collectors.toSet())));
    }
}
