package app.denfold.server.chasing.addresses;

import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.ChaseEvents.MailCameBack;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.addresses.SilentAddress.Cause;
import app.denfold.server.chasing.addresses.SilentAddress.Key;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Knows at which addresses nobody is chased, and why. */
@Service
public class SilentAddresses {

    private final SilentAddressRepository addresses;
    private final Outbox outbox;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    SilentAddresses(
            SilentAddressRepository addresses,
            Outbox outbox,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.outbox = outbox;
        this.files = files;
        this.addresses = addresses;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param why in the words of the mail server */
    public record UnreachableAnswer(String address, Instant since, String why) {}

    /** Mailboxes from which mails came back. */
    @Transactional(readOnly = true)
    public List<String> cameBack() {
        return of(Cause.CAME_BACK);
    }

    /** Mailboxes whose readers asked to be told no more of what is no duty. */
    @Transactional(readOnly = true)
    public List<String> unsubscribed() {
        return of(Cause.UNSUBSCRIBED);
    }

    private List<String> of(Cause cause) {
        return addresses.findByCause(cause).stream().map(a -> a.key().mailbox()).toList();
    }

    /** Those of these addresses from which mails came back, by the address in small letters. */
    @Transactional(readOnly = true)
    public Map<String, UnreachableAnswer> unreachableAmong(Collection<String> among) {
        List<Key> keys = among.stream()
                .map(a -> new Key(mailbox(a), Cause.CAME_BACK))
                .distinct()
                .toList();
        return StreamSupport.stream(addresses.findAllById(keys).spliterator(), false)
                .collect(Collectors.toMap(
                        a -> a.key().mailbox(),
                        a -> new UnreachableAnswer(a.key().mailbox(), a.since(), a.why())));
    }

    /** An address to be mended, and in which file. @param fileId null when the mail was about none */
    public record ToMend(String address, @Nullable UUID fileId, Instant since, String why) {}

    /** Addresses from which mails about files came back that the viewer may see, the newest first. */
    @Transactional(readOnly = true)
    public List<ToMend> toMend(Viewer viewer) {
        List<SilentAddress> all = addresses.findByCause(Cause.CAME_BACK);
        Map<UUID, UUID> about = outbox.filesOf(
                all.stream().flatMap(a -> Stream.ofNullable(a.noticeId())).toList());
        Set<UUID> visible = files.visibleAmong(viewer, about.values());
        return all.stream()
                .map(a -> new ToMend(
                        a.key().mailbox(), a.noticeId() == null ? null : about.get(a.noticeId()), a.since(), a.why()))
                .filter(a -> a.fileId() == null ? viewer.isAdministrator() : visible.contains(a.fileId()))
                .toList();
    }

    public static String mailbox(String address) {
        return address.strip().toLowerCase(Locale.ROOT);
    }

    @EventListener
    void on(MailCameBack event) {
        addresses.save(new SilentAddress(
                new Key(mailbox(event.address()), Cause.CAME_BACK), calendar.now(), event.why(), event.noticeId()));
    }

    /** Whoever reads the address asked for no more of what is no duty. */
    @Transactional
    public void unsubscribe(String address) {
        Key key = new Key(mailbox(address), Cause.UNSUBSCRIBED);
        if (!addresses.existsById(key)) {
            addresses.save(new SilentAddress(key, calendar.now(), "asked for no more", null));
            trail.record(AuditEntry.general(Actor.system(address), "unsubscribed", "asked for no more notices"));
        }
    }

    /** Somebody says that mails arrive there again. @throws Refusal when none came back of which the viewer may know */
    @Transactional
    public void reachable(Viewer viewer, String address) {
        viewer.requireChange();
        Key key = new Key(mailbox(address), Cause.CAME_BACK);
        if (toMend(viewer).stream().noneMatch(a -> a.address().equals(key.mailbox()))) {
            throw Refusal.notFound("address from which a mail came back");
        }
        addresses.deleteById(key);
        trail.record(AuditEntry.general(
                viewer.actor(), "address-reachable", "says that mails to " + address + " arrive again"));
    }
}
