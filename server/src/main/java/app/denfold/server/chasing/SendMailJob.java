package app.denfold.server.chasing;

import app.denfold.server.access.Actor;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Attachments.Attachment;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.AddressException;
import java.io.IOException;
import java.io.UnsupportedEncodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.task.TaskRejectedException;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.data.domain.Limit;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Hands queued messages to the mail server and notes the result. */
@Component
class SendMailJob {

    private static final Logger LOG = LoggerFactory.getLogger(SendMailJob.class);

    private static final int MOST_STUCK = 1_000;

    /** So many are claimed and noted together, while the mail server is quick. */
    private static final int MOST_AT_ONCE = 100;

    /** So often it is tried to note what came of mails when others get in between. */
    private static final int MOST_NOTING = 10;

    /** What was queued just now needs no second look. */
    private static final Duration FRESH = Duration.ofMinutes(1);

    private static final Duration QUICK = Duration.ofMillis(200);

    private final NoticeRepository notices;
    private final HandedOverStore handedOver;
    private final JavaMailSenderImpl mail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final AuditTrail trail;
    private final TransactionTemplate transactions;
    private final MailForm form;

    /** Nobody hands a message over for so long; what was claimed before was left behind. */
    private final Duration abandoned;

    private final ObjectProvider<LastLook> lastLooks;
    private final ThreadPoolTaskExecutor threads;
    private final ObjectProvider<Attachments> attachments;

    /** Whether somebody is about to look for what waits. */
    private final AtomicBoolean asked = new AtomicBoolean();

    /** So many are claimed the next time. */
    private volatile int pace = 1;

    SendMailJob(
            NoticeRepository notices,
            HandedOverStore handedOver,
            JavaMailSenderImpl mail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            AuditTrail trail,
            TransactionTemplate transactions,
            @Qualifier(Threads.NAME) ThreadPoolTaskExecutor threads,
            ObjectProvider<Attachments> attachments,
            ObjectProvider<LastLook> lastLooks,
            MailForm form,
            @Value("${denfold.mail-abandoned:PT2M}") Duration abandoned) {
        this.abandoned = abandoned;
        this.notices = notices;
        this.handedOver = handedOver;
        this.mail = mail;
        this.settings = settings;
        this.calendar = calendar;
        this.trail = trail;
        this.transactions = transactions;
        this.threads = threads;
        this.attachments = attachments;
        this.lastLooks = lastLooks;
        this.form = form;
    }

    /** Hands over what waits as soon as the running transaction has ended; what is lost with the process, the job finds. */
    void afterCommit() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                begin();
            }
        });
    }

    /** Messages whose time has come again, and those that whoever sent them left behind. */
    @Scheduled(fixedDelayString = "${denfold.mail-interval:PT30S}", initialDelayString = "PT1S")
    void deliverDue() {
        Instant stuckSince = calendar.now().minus(abandoned);
        transactions.executeWithoutResult(t -> takeOver(notices.lockStuck(stuckSince, Limit.of(MOST_STUCK))));
        begin();
    }

    /** What the mail server had taken is sent; of the others that is not known, so they go once more. */
    private void takeOver(List<Notice> stuck) {
        if (stuck.isEmpty()) {
            return;
        }
        List<UUID> ids = stuck.stream().map(Notice::id).toList();
        Set<UUID> taken = handedOver.among(ids);
        for (Notice notice : stuck) {
            if (taken.contains(notice.id())) {
                note(notice, Optional.empty());
            } else {
                notice.release();
            }
        }
        handedOver.forget(ids);
    }

    private void begin() {
        if (asked.compareAndSet(false, true)) {
            try {
                threads.execute(this::deliverAll);
            } catch (TaskRejectedException stopping) {
                asked.set(false);
            }
        }
    }

    private void deliverAll() {
        asked.set(false);
        try (MailConnection connection = new MailConnection(mail)) {
            for (List<Notice> claimed = claim(pace); !claimed.isEmpty(); claimed = claim(pace)) {
                deliver(connection, claimed);
            }
        }
    }

    /** Nobody else hands them over from now on. */
    private List<Notice> claim(int most) {
        return Objects.requireNonNull(transactions.execute(t -> {
            List<Notice> due = stillWanted(notices.lockDue(calendar.now(), Limit.of(most)));
            due.forEach(n -> n.claim(calendar.now()));
            return due;
        }));
    }

    /** What was met since they were queued drops out of them; those that have nothing left to tell are not sent. */
    private List<Notice> stillWanted(List<Notice> due) {
        Instant aMomentAgo = calendar.now().minus(FRESH);
        Map<UUID, String> bodies = due.stream()
                .filter(n -> n.queuedAt().isBefore(aMomentAgo))
                .collect(Collectors.toMap(Notice::id, Notice::body));
        Map<UUID, Optional<LastLook.Instead>> changed = new HashMap<>();
        lastLooks.orderedStream().forEach(l -> changed.putAll(l.before(bodies)));
        List<Notice> wanted = new ArrayList<>();
        for (Notice notice : due) {
            Optional<LastLook.Instead> instead = changed.get(notice.id());
            if (instead == null) {
                wanted.add(notice);
            } else if (instead.isPresent()) {
                notice.tellInstead(instead.get().subject(), instead.get().body());
                wanted.add(notice);
            } else {
                notice.cancel(calendar.now(), "nothing of it was wanted any more");
            }
        }
        return wanted;
    }

    /**
     * Hands them over outside of any transaction, and notes what came of it. When the mail server is slow
     * the rest waits again, so that nothing is held for long by whoever claimed it.
     */
    private void deliver(MailConnection connection, List<Notice> claimed) {
        OutsideTransactions.require("sending mail");
        Map<UUID, Optional<Exception>> tried = new HashMap<>();
        PracticeLook look = settings.look();
        long begun = System.nanoTime();
        for (Notice notice : claimed) {
            if (tried.isEmpty() || isQuick(begun)) {
                Optional<Exception> failed = handOver(connection, notice, look);
                if (failed.isEmpty()) {
                    handedOver.note(notice.id());
                }
                tried.put(notice.id(), failed);
            }
        }
        note(claimed, tried);
        // a few that were all there were say nothing of how many would have gone
        pace = isQuick(begun) ? Math.max(pace, Math.min(MOST_AT_ONCE, claimed.size() * 2)) : tried.size();
    }

    /** What was sent is sent: that others change the same papers meanwhile is no reason to forget it, and to send it again. */
    private void note(List<Notice> claimed, Map<UUID, Optional<Exception>> tried) {
        for (int left = MOST_NOTING; ; left--) {
            try {
                transactions.executeWithoutResult(t -> {
                    notices.findAllById(claimed.stream().map(Notice::id).toList())
                            .forEach(n -> note(n, tried.get(n.id())));
                    handedOver.forget(tried.keySet());
                });
                return;
            } catch (ConcurrencyFailureException changed) {
                if (left <= 1) {
                    throw changed;
                }
            }
        }
    }

    private static boolean isQuick(long begun) {
        return System.nanoTime() - begun < QUICK.toNanos();
    }

    /** @return why it was not taken; empty when it was */
    private Optional<Exception> handOver(MailConnection connection, Notice notice, PracticeLook look) {
        List<Attachment> attached = new ArrayList<>();
        try {
            // mails that chase carry nothing, so that nobody need be asked for each of very many
            if (!notice.purpose().equals(Message.CHASE)) {
                attachments.orderedStream().forEach(a -> attached.addAll(a.of(notice.id())));
            }
            connection.send(form.of(notice, look, attached));
            return Optional.empty();
        } catch (MessagingException | UnsupportedEncodingException | RuntimeException refused) {
            return Optional.of(refused);
        } finally {
            attached.stream()
                    .filter(Attachment::isTemporary)
                    .map(Attachment::file)
                    .forEach(SendMailJob::delete);
        }
    }

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException left) {
            LOG.warn("A temporary file stays: {}", file, left);
        }
    }

    /** @param tried what came of it; null when its turn did not come */
    private void note(Notice notice, @Nullable Optional<Exception> tried) {
        if (tried == null) {
            notice.putBack();
            return;
        }
        if (tried.isEmpty()) {
            notice.sent(calendar.now());
            note(
                    notice,
                    "notice-sent",
                    "delivered “" + notice.subject() + "” to the mail server for " + notice.recipient());
            return;
        }
        Exception failed = tried.get();
        boolean isFirst = notice.result() == null;
        notice.failed(calendar.now(), reason(failed), isForGood(failed));
        if (isFirst || notice.nextAttempt() == null) {
            note(
                    notice,
                    "notice-failed",
                    "could not send “" + notice.subject() + "” to " + notice.recipient() + ": " + reason(failed));
        }
    }

    /** The server said no to the address itself (RFC 5321, replies 550 to 553), it is none, or what should go with the mail is no longer there. */
    private static boolean isForGood(Exception failed) {
        for (Throwable t = failed; t != null; t = t.getCause()) {
            if (t instanceof AddressException || t instanceof Refusal) {
                return true;
            }
            if (t instanceof SMTPAddressFailedException refused) {
                return refused.getReturnCode() >= 550 && refused.getReturnCode() <= 553;
            }
        }
        return false;
    }

    private static String reason(Exception failed) {
        Throwable deepest = failed;
        while (deepest.getCause() != null) {
            deepest = deepest.getCause();
        }
        return deepest.getMessage() == null ? "the mail server did not answer" : deepest.getMessage();
    }

    private void note(Notice notice, String action, String sentence) {
        trail.record(new AuditEntry(
                Actor.system("Mail"), action, notice.fileId(), notice.documentId(), notice.types(), sentence));
    }

    /** Threads of their own for talking to the mail server: while that is slow, nothing else waits. */
    @Configuration
    static class Threads {

        static final String NAME = "mailExecutor";

        static {
            // else the mail library searches the whole class path for it, for each part of each mail
            System.setProperty("jakarta.mail.util.StreamProvider", "org.eclipse.angus.mail.util.MailStreamProvider");
        }

        @Bean(name = NAME, defaultCandidate = false)
        ThreadPoolTaskExecutor mailExecutor() {
            ThreadPoolTaskExecutor threads = new ThreadPoolTaskExecutor();
            threads.setCorePoolSize(2);
            threads.setThreadNamePrefix("mail-");
            threads.setWaitForTasksToCompleteOnShutdown(false);
            return threads;
        }
    }
}
