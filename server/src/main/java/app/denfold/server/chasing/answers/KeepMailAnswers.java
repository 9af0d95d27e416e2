package app.denfold.server.chasing.answers;

import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.MailAnswers;
import app.denfold.server.chasing.MailAnswers.Answered;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.coverage.slots.SlotsAhead;
import app.denfold.server.coverage.slots.SlotsAhead.SlotAhead;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what people write back, and knows what a mail that was answered had asked for. */
@Service
public class KeepMailAnswers {

    private static final int MOST = 1_000;

    private final MailAnswerRepository answers;
    private final MailAnswers mails;
    private final Outbox outbox;
    private final ToldRepository told;
    private final SlotsAhead slots;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    KeepMailAnswers(
            MailAnswerRepository answers,
            MailAnswers mails,
            Outbox outbox,
            ToldRepository told,
            SlotsAhead slots,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.answers = answers;
        this.mails = mails;
        this.outbox = outbox;
        this.told = told;
        this.slots = slots;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * What the mail that somebody answers had asked for.
     *
     * @param fileId null when it was about several people, or none
     * @param type that the one paper asked for would have; null when several were asked for, or the sender is not who was
     *     written to
     * @param label what was asked for, in words; null for nothing
     */
    public record AskedFor(
            @Nullable UUID fileId,
            @Nullable String type,
            @Nullable String label) {}

    @Transactional(readOnly = true)
    public AskedFor askedFor(Answered answered, String sender) {
        List<Told> lines = told.findByNoticeIdIn(List.of(answered.noticeId())).stream()
                .filter(t -> t.thing().requirement() != null)
                .toList();
        Set<UUID> of = new LinkedHashSet<>();
        lines.forEach(t -> of.add(t.fileId()));
        if (of.size() > 1) {
            return new AskedFor(null, null, null);
        }
        UUID file = of.isEmpty() ? answered.fileId() : of.iterator().next();
        List<SlotAhead> ofFile = file == null ? List.of() : slots.ofFiles(List.of(file));
        List<Told> open = lines.stream().filter(t -> isStillWanting(ofFile, t)).toList();
        boolean isFromRecipient = sender.equalsIgnoreCase(answered.recipient());
        String type = isFromRecipient && open.size() == 1 && open.get(0).types().size() == 1
                ? open.get(0).types().get(0)
                : null;
        String label = open.isEmpty()
                ? null
                : String.join(", ", open.stream().map(Told::label).distinct().toList());
        return new AskedFor(file, type, label);
    }

    private static boolean isStillWanting(List<SlotAhead> slots, Told line) {
        return slots.stream()
                .filter(s -> s.key().checklist().equals(line.thing().checklist())
                        && s.key().requirement().equals(line.thing().requirement()))
                .anyMatch(s -> s.stands().get(0).isWanting());
    }

    /**
     * Keeps the words of an answer without a paper, in each file that the answered mail was about.
     *
     * @param origin what tells the mail from all others
     * @return false when it was about no file, so that nothing is kept
     */
    @Transactional
    public boolean keep(Answered answered, String sender, String origin, String words) {
        Set<UUID> of = new LinkedHashSet<>();
        Set<String> types = new LinkedHashSet<>();
        told.findByNoticeIdIn(List.of(answered.noticeId())).forEach(t -> {
            of.add(t.fileId());
            types.addAll(t.types());
        });
        if (of.isEmpty() && answered.fileId() != null) {
            of.add(answered.fileId());
        }
        of.stream()
                .filter(file -> !answers.existsByOriginAndFileId(origin, file))
                .forEach(file -> {
                    answers.save(new MailAnswer(file, answered.noticeId(), sender, origin, words, calendar.now()));
                    trail.record(AuditEntry.ofFile(
                                    Actor.system(sender),
                                    "mail-answered",
                                    file,
                                    "answered “" + answered.subject() + "” by mail")
                            .about(types));
                });
        mails.noteAnswer(answered.noticeId());
        return !of.isEmpty();
    }

    /** @param noticeId the mail it answers @param seenBy null while nobody said that it was read */
    public record WrittenBack(
            UUID id,
            UUID fileId,
            UUID noticeId,
            String sender,
            String words,
            Instant at,
            @Nullable String seenBy) {

        static WrittenBack of(MailAnswer a) {
            return new WrittenBack(a.id(), a.fileId(), a.noticeId(), a.sender(), a.words(), a.at(), a.seenBy());
        }
    }

    /** Newest first. @throws Refusal when the viewer may not see the file */
    @Transactional(readOnly = true)
    public List<WrittenBack> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return known(viewer, answers.findByFileIdOrderByAtDesc(fileId));
    }

    /** Those that nobody has read, of files the viewer may see, the oldest first. */
    @Transactional(readOnly = true)
    public List<WrittenBack> unseen(Viewer viewer) {
        List<MailAnswer> all = answers.findBySeenAtIsNullOrderByAt(Limit.of(MOST));
        Set<UUID> visible =
                files.visibleAmong(viewer, all.stream().map(MailAnswer::fileId).toList());
        return known(
                viewer, all.stream().filter(a -> visible.contains(a.fileId())).toList());
    }

    /** Who may not know of the papers that a mail asked for does not read what was answered. */
    private List<WrittenBack> known(Viewer viewer, List<MailAnswer> all) {
        Set<UUID> known =
                outbox.knownTo(viewer, all.stream().map(MailAnswer::noticeId).toList());
        return all.stream()
                .filter(a -> known.contains(a.noticeId()))
                .map(WrittenBack::of)
                .toList();
    }

    /** Somebody read it. @throws Refusal when the viewer may not see the file */
    @Transactional
    public void seen(Viewer viewer, UUID id) {
        viewer.requireChange();
        MailAnswer answer = answers.findById(id)
                .filter(a -> files.maySee(viewer, a.fileId()))
                .filter(a -> !known(viewer, List.of(a)).isEmpty())
                .orElseThrow(() -> Refusal.notFound("answer"));
        answer.seen(viewer.name(), calendar.now());
    }
}
