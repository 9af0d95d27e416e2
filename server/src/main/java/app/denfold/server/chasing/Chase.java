package app.denfold.server.chasing;

import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.ChaseEvents.Chased;
import app.denfold.server.chasing.ChaseEvents.Wanted;
import app.denfold.server.coverage.ledger.Ledger;
import app.denfold.server.coverage.ledger.Ledger.SlotAnswer;
import app.denfold.server.coverage.ledger.WantedWords;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells a person, in one mail, about all that his file lacks. */
@Service
class Chase {

    private static final String PURPOSE = "chase";

    private final PersonFiles files;
    private final Ledger ledger;
    private final Outbox outbox;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    Chase(
            PersonFiles files,
            Ledger ledger,
            Outbox outbox,
            PracticeSettings settings,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.files = files;
        this.ledger = ledger;
        this.outbox = outbox;
        this.settings = settings;
        this.calendar = calendar;
        this.events = events;
    }

    /**
     * What the person would be told.
     *
     * @param recipient null when the file holds no mail address
     * @param chasedToday who chased at what time today; null when nobody did
     */
    public record ChasePreview(
            @Nullable String recipient,
            String subject,
            String body,
            List<String> wanted,
            @Nullable String chasedToday) {}

    @Transactional(readOnly = true)
    public ChasePreview preview(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        List<SlotAnswer> wanted = ledger.openSlots(viewer, fileId);
        return new ChasePreview(
                file.email(),
                subject(wanted),
                body(file, wanted, viewer),
                wanted.stream().map(SlotAnswer::label).toList(),
                outbox.todays(fileId, PURPOSE)
                        .map(n -> n.queuedBy() + ", " + calendar.words(n.queuedAt()))
                        .orElse(null));
    }

    /**
     * @param body the text to send; null for the proposed one
     * @param again send although the person was chased today
     * @throws Refusal when nothing is wanted, there is no address, or he was chased today and {@code again} is false
     */
    @Transactional
    public void send(Viewer viewer, UUID fileId, @Nullable String body, boolean again) {
        viewer.requireChange();
        ChasePreview preview = preview(viewer, fileId);
        PersonFile file = files.visible(viewer, fileId);
        List<SlotAnswer> wanted = ledger.openSlots(viewer, fileId);
        if (wanted.isEmpty()) {
            throw Refusal.conflict("nothing-wanted", "Nothing is missing or about to lapse in this file.");
        }
        if (file.email() == null) {
            throw Refusal.invalid("recipient", "The file holds no mail address. Add one under Details first.");
        }
        if (preview.chasedToday() != null && !again) {
            throw Refusal.conflict(
                    "chased-today", file.name() + " was chased today already (" + preview.chasedToday() + ").");
        }
        String text = body == null || body.isBlank() ? preview.body() : body;
        List<String> types =
                wanted.stream().flatMap(s -> s.types().stream()).distinct().toList();
        outbox.queue(viewer, Message.aboutPaper(fileId, null, types, PURPOSE, file.email(), preview.subject(), text));
        events.publishEvent(new Chased(
                viewer,
                fileId,
                file.email(),
                wanted.stream()
                        .map(s -> new Wanted(s.checklist(), s.requirement()))
                        .toList()));
    }

    private static String subject(List<SlotAnswer> wanted) {
        return wanted.size() == 1
                ? "A paper we need from you: " + wanted.get(0).label()
                : wanted.size() + " papers we need from you";
    }

    private String body(PersonFile file, List<SlotAnswer> wanted, Viewer by) {
        String lines = wanted.stream().map(Chase::line).collect(Collectors.joining("\n"));
        return "Dear " + (file.givenName().isEmpty() ? file.familyName() : file.givenName())
                + ",\n\nfor your file " + file.number() + " at " + settings.name() + " we need:\n\n" + lines
                + "\n\nIf you have access to our portal, send the papers there; otherwise answer this mail or bring them by.\n\n"
                + "Kind regards,\n" + by.name() + "\n" + settings.name() + "\n";
    }

    private static String line(SlotAnswer slot) {
        return "  - " + slot.label() + ": " + WantedWords.of(slot);
    }
}
