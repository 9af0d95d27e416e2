package app.denfold.server.portal.messages;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.portal.GuestRight;
import app.denfold.server.portal.GuestRights;
import app.denfold.server.portal.Guests;
import app.denfold.server.portal.SharePapers;
import app.denfold.server.portal.seeing.SeenOfSent;
import app.denfold.server.portal.seeing.ShownPapers;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Messages between guests and the practice. Each belongs to the file it is about, is seen by that guest and by all who see
 * the file, and is told by a mail that says nothing of its content.
 */
@Service
class Messages {

    private final PortalMessageRepository messages;
    private final GuestRights rights;
    private final Guests guests;
    private final SharePapers sharing;
    private final Accounts accounts;
    private final PersonFiles files;
    private final Documents documents;
    private final ShownPapers shown;
    private final Arrivals arrivals;
    private final SeenOfSent seen;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    Messages(
            PortalMessageRepository messages,
            GuestRights rights,
            Guests guests,
            SharePapers sharing,
            Accounts accounts,
            PersonFiles files,
            Documents documents,
            ShownPapers shown,
            Arrivals arrivals,
            SeenOfSent seen,
            Outbox outbox,
            AuditTrail trail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.messages = messages;
        this.rights = rights;
        this.guests = guests;
        this.sharing = sharing;
        this.accounts = accounts;
        this.files = files;
        this.documents = documents;
        this.shown = shown;
        this.arrivals = arrivals;
        this.seen = seen;
        this.outbox = outbox;
        this.trail = trail;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /** @param read whether whoever it is for has seen it */
    record MessageAnswer(
            UUID id, boolean fromGuest, String by, String words, List<MessagePaper> papers, Instant at, boolean read) {}

    /** @param documentId where it is filed; null while it waits @param arrivalId where it waits; null once it is filed */
    record MessagePaper(
            String name,
            @Nullable UUID documentId,
            @Nullable UUID arrivalId) {

        static MessagePaper of(FiledDocument document) {
            return new MessagePaper(document.name(), document.id(), null);
        }
    }

    /** What one guest and the practice wrote to each other about one person. */
    record Conversation(UUID fileId, String personName, UUID guestId, String guestName, List<MessageAnswer> messages) {}

    /** All that a guest and the practice wrote to each other, person by person; those without a word as well. */
    @Transactional(readOnly = true)
    List<Conversation> ofGuest(Viewer guest) {
        List<PortalMessage> all = messages.findByGuestIdOrderByAt(guest.accountId());
        Map<UUID, List<PortalMessage>> byFile = all.stream().collect(Collectors.groupingBy(PortalMessage::fileId));
        List<Arrivals.Sent> sent = sentWith(guest.accountId(), all);
        return rights.of(guest.accountId()).stream()
                .map(right -> conversation(
                        right.fileId(),
                        guest.accountId(),
                        byFile.getOrDefault(right.fileId(), List.of()),
                        m -> m.isFromGuest()
                                ? sent.stream()
                                        .filter(s -> m.papers().contains(s.id()))
                                        .map(s -> new MessagePaper(s.fileName(), null, null))
                                        .toList()
                                : m.papers().stream()
                                        .filter(id -> shown.sees(guest.accountId(), id))
                                        .flatMap(id -> documents.outsideWastebasket(id).stream())
                                        .map(MessagePaper::of)
                                        .toList()))
                .toList();
    }

    /** All that the guests of a file and the practice wrote to each other; guests without a word as well. */
    @Transactional(readOnly = true)
    List<Conversation> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        Map<UUID, List<PortalMessage>> byGuest = new LinkedHashMap<>();
        guests.of(fileId).forEach(g -> byGuest.put(g.accountId(), new ArrayList<>()));
        messages.findByFileIdOrderByAt(fileId).forEach(m -> byGuest.computeIfAbsent(m.guestId(), g -> new ArrayList<>())
                .add(m));
        return byGuest.entrySet().stream()
                .map(e -> {
                    List<Arrivals.Sent> sent = sentWith(e.getKey(), e.getValue());
                    return conversation(fileId, e.getKey(), e.getValue(), m -> papersFor(viewer, m, sent));
                })
                .toList();
    }

    private List<MessagePaper> papersFor(Viewer viewer, PortalMessage message, List<Arrivals.Sent> sent) {
        if (!message.isFromGuest()) {
            return documents.visible(viewer, message.papers()).stream()
                    .map(MessagePaper::of)
                    .toList();
        }
        return sent.stream()
                .filter(s -> message.papers().contains(s.id()) && seen.maySee(viewer, s))
                .flatMap(s -> s.documentId() == null
                        ? Stream.of(new MessagePaper(s.fileName(), null, s.id()))
                        : documents.visible(viewer, List.of(s.documentId())).stream()
                                .map(MessagePaper::of))
                .toList();
    }

    /** What a guest sent, but for what he took back; nothing is read when none of it went with a message. */
    private List<Arrivals.Sent> sentWith(UUID guest, List<PortalMessage> some) {
        return some.stream().anyMatch(m -> m.isFromGuest() && !m.papers().isEmpty())
                ? arrivals.sentBy(guest)
                : List.of();
    }

    /** @param papers those that go with a message and that whoever reads may see */
    private Conversation conversation(
            UUID fileId, UUID guest, List<PortalMessage> some, Function<PortalMessage, List<MessagePaper>> papers) {
        return new Conversation(
                fileId,
                files.file(fileId).name(),
                guest,
                accounts.viewerEvenIfClosed(guest).map(Viewer::name).orElse("a guest"),
                some.stream()
                        .sorted(Comparator.comparing(PortalMessage::at))
                        .map(m -> answer(m, papers.apply(m)))
                        .toList());
    }

    private static MessageAnswer answer(PortalMessage message, List<MessagePaper> papers) {
        return new MessageAnswer(
                message.id(),
                message.isFromGuest(),
                message.byName(),
                message.words(),
                papers,
                message.at(),
                message.isRead());
    }

    /**
     * A guest writes to the practice.
     *
     * @param sent what he sent about the same person before, and goes with it
     * @throws Refusal when he has nothing to do with the file, or did not send a paper
     */
    @Transactional
    void fromGuest(Viewer guest, UUID fileId, String words, List<UUID> sent) {
        GuestRight right = rights.in(guest.accountId(), fileId).orElseThrow(() -> Refusal.notFound("file"));
        Set<UUID> own = arrivals.sentBy(guest.accountId()).stream()
                .filter(s -> fileId.equals(s.fileId()))
                .map(Arrivals.Sent::id)
                .collect(Collectors.toSet());
        if (!own.containsAll(sent)) {
            throw Refusal.invalid("sent", "Choose among the papers you sent about this person.");
        }
        keep(right.fileId(), guest.accountId(), guest, words, sent);
        trail.record(AuditEntry.ofFile(guest.actor(), "message-sent", fileId, "wrote a message in the portal"));
        toWhom(fileId, guest.accountId())
                .forEach(colleague -> tell(
                        guest,
                        fileId,
                        colleague,
                        guest.name() + " has written a message in the portal. Read it on the file, under Shared:\n\n  "
                                + address + "/files/" + fileId + "?view=shared"));
    }

    /** Who of the practice wrote last to the guest about this person, or else who may administer. */
    private List<Viewer> toWhom(UUID fileId, UUID guest) {
        Set<UUID> writers = messages.findByFileIdOrderByAt(fileId).stream()
                .filter(m -> !m.isFromGuest() && m.guestId().equals(guest))
                .map(PortalMessage::byId)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
        List<Viewer> able = accounts.staff().stream()
                .filter(v -> v.mayChange() && files.maySee(v, fileId))
                .toList();
        List<Viewer> wrote =
                able.stream().filter(v -> writers.contains(v.accountId())).toList();
        return wrote.isEmpty() ? able.stream().filter(Viewer::isAdministrator).toList() : wrote;
    }

    /** The practice writes to a guest of a file, or to whom it is about, and shows him papers of it with the message. */
    @Transactional
    void toGuest(Viewer viewer, UUID fileId, UUID guestId, String words, List<UUID> papers) {
        viewer.requireChange();
        PersonFile file = files.visible(viewer, fileId);
        Viewer guest = accounts.viewer(guestId)
                .filter(g -> rights.in(guestId, fileId).isPresent())
                .orElseThrow(() -> Refusal.notFound("guest of this file"));
        papers.forEach(id -> {
            if (!documents.visible(viewer, id).fileId().equals(fileId)) {
                throw Refusal.invalid("papers", "Choose papers of this file.");
            }
        });
        sharing.showWith(viewer, papers, guestId);
        keep(fileId, guestId, viewer, words, papers);
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "message-sent", fileId, "wrote a message to " + guest.name() + " in the portal"));
        if (accounts.hasPassword(guestId)) {
            tell(
                    viewer,
                    file.id(),
                    guest,
                    settings.name() + " has written you a message in the portal. Sign in to read it:\n\n  " + address);
        }
    }

    private void keep(UUID fileId, UUID guestId, Viewer by, String words, List<UUID> papers) {
        messages.save(new PortalMessage(fileId, guestId, by, words.strip(), papers, calendar.now()));
    }

    private void tell(Viewer by, UUID fileId, Viewer to, String words) {
        String body = "Dear " + to.name() + ",\n\n" + words + "\n\nKind regards,\n"
                + settings.look().closing();
        outbox.queue(
                by, new Message(fileId, "message", to.email(), "A message in the portal of " + settings.name(), body));
    }

    /** The guest has seen what was written to him. */
    @Transactional
    void readByGuest(Viewer guest) {
        messages.findByGuestIdOrderByAt(guest.accountId()).stream()
                .filter(m -> !m.isFromGuest())
                .forEach(m -> m.read(calendar.now()));
    }

    /** Somebody of the practice has seen what guests wrote about a person. */
    @Transactional
    void readByPractice(Viewer viewer, UUID fileId) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        messages.findByFileIdOrderByAt(fileId).stream()
                .filter(PortalMessage::isFromGuest)
                .forEach(m -> m.read(calendar.now()));
    }
}
