package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.NoticeLetter.Written;
import app.denfold.server.access.Actor;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.ChaseEvents.Chased;
import app.denfold.server.chasing.ChaseEvents.ChasedAll;
import app.denfold.server.chasing.ChaseEvents.Wanted;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Message.Notified;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Queues what plans tell, and notes that it was told: both or neither. */
@Component
class SendPlanned {

    private final ToldRepository told;
    private final Outbox outbox;
    private final PrepareNotices prepare;
    private final AuditTrail trail;
    private final ApplicationEventPublisher events;

    SendPlanned(
            ToldRepository told,
            Outbox outbox,
            PrepareNotices prepare,
            AuditTrail trail,
            ApplicationEventPublisher events) {
        this.trail = trail;
        this.told = told;
        this.outbox = outbox;
        this.prepare = prepare;
        this.events = events;
    }

    /**
     * @param plannedOn the day whose plans tell it; null when somebody sends it by hand
     * @param notBefore when it may go out; null for at once
     */
    @Transactional
    void mails(
            PreparedNotices prepared,
            List<Mail> mails,
            LocalDate day,
            @Nullable LocalDate plannedOn,
            @Nullable Instant notBefore) {
        Map<String, UUID> threads =
                outbox.newestTo(mails.stream().map(Mail::mailbox).toList());
        Map<UUID, Message> messages = new LinkedHashMap<>();
        List<Told> lines = new ArrayList<>();
        for (Mail mail : mails) {
            UUID number = Outbox.freshNumber();
            Written written = prepared.letter(day).write(mail);
            String secret = Secrets.fresh();
            messages.put(
                    number,
                    Message.chasing(
                            UUID.fromString(mail.tellings().get(0).turn().file()),
                            types(mail),
                            Objects.requireNonNull(
                                    mail.tellings().get(0).recipient().address()),
                            written.subject(),
                            prepare.linked(written.text(), secret),
                            new Notified(
                                    written.language(),
                                    secret,
                                    mail.tellings().stream()
                                            .allMatch(t -> t.plan().courtesy()),
                                    plannedOn,
                                    notBefore,
                                    threads.get(mail.mailbox()))));
            mail.tellings().forEach(t -> lines.add(Told.byPlan(t, WhyWords.of(t), day, number)));
        }
        outbox.queueAll(messages);
        told.saveAll(lines);
        messages.forEach((number, message) -> noteInOtherFiles(number, message, lines));
        // whoever is a guest is asked in the portal too
        events.publishEvent(
                new ChasedAll(mails.stream().flatMap(m -> chased(m).stream()).toList()));
    }

    /** The first file's trail has it already. */
    private void noteInOtherFiles(UUID number, Message message, List<Told> lines) {
        lines.stream()
                .filter(t -> number.equals(t.noticeId()))
                .map(Told::fileId)
                .distinct()
                .filter(file -> !file.equals(message.fileId()))
                .forEach(file -> trail.record(AuditEntry.ofFile(
                                Actor.system(Outbox.BY_PLANS),
                                "notice-queued",
                                file,
                                "wrote to " + message.recipient() + ": “" + message.subject() + "”")
                        .about(message.types())));
    }

    private static Set<String> types(Mail mail) {
        Set<String> types = new LinkedHashSet<>();
        mail.tellings().forEach(t -> types.addAll(t.watched().types()));
        mail.alsoOpen().forEach(w -> types.addAll(w.types()));
        return types;
    }

    private static List<Chased> chased(Mail mail) {
        Map<String, List<Telling>> byFile = mail.tellings().stream()
                .filter(t -> t.watched().thing().requirement() != null)
                .collect(Collectors.groupingBy(t -> t.turn().file()));
        return byFile.entrySet().stream()
                .map(e -> new Chased(
                        Outbox.BY_PLANS,
                        UUID.fromString(e.getKey()),
                        mail.mailbox(),
                        e.getValue().stream()
                                .map(t -> new Wanted(
                                        Objects.requireNonNull(
                                                t.watched().thing().checklist()),
                                        Objects.requireNonNull(
                                                t.watched().thing().requirement())))
                                .toList()))
                .toList();
    }

    /** Puts what is nobody's mail into Today. */
    @Transactional
    void tasks(List<Telling> tasks, LocalDate day) {
        told.saveAll(tasks.stream()
                .map(t -> Told.byPlan(t, WhyWords.of(t), day, null))
                .toList());
        told.flush();
    }
}
