package app.denfold.server.chasing.byhand;

import app.denfold.core.people.Representation;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.chasing.ChaseEvents.Chased;
import app.denfold.server.chasing.ChaseEvents.Wanted;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.addresses.SilentAddresses;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.coverage.ledger.Ledger;
import app.denfold.server.coverage.ledger.Ledger.SlotAnswer;
import app.denfold.server.coverage.ledger.WantedWords;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import app.denfold.server.relations.PeopleAround;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells a person, in one mail, about all that his file lacks. */
@Service
class Chase {

    private static final String PURPOSE = Message.CHASE;

    private final PersonFiles files;
    private final Ledger ledger;
    private final Catalog catalog;
    private final Outbox outbox;
    private final ToldRepository told;
    private final SilentAddresses silent;
    private final PeopleAround around;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    Chase(
            PersonFiles files,
            Ledger ledger,
            Catalog catalog,
            Outbox outbox,
            ToldRepository told,
            SilentAddresses silent,
            PeopleAround around,
            PracticeSettings settings,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.files = files;
        this.ledger = ledger;
        this.catalog = catalog;
        this.outbox = outbox;
        this.told = told;
        this.silent = silent;
        this.around = around;
        this.settings = settings;
        this.calendar = calendar;
        this.events = events;
    }

    /**
     * Somebody who can be written to.
     *
     * @param words what they are to the person; null for the person
     * @param fits whether they are whom one writes to about this person; others are chosen by hand only
     * @param body the proposed text
     * @param unreachable why mails to them came back; null when none did
     */
    public record Addressee(
            String name,
            String email,
            @Nullable String words,
            boolean fits,
            String body,
            @Nullable String unreachable) {}

    /**
     * What would be written about a person.
     *
     * @param recipient address of who is written to unless somebody else is chosen; null when nobody who fits has one
     * @param addressees all who can be chosen, those who fit first
     * @param chasedToday who chased at what time today; null when nobody did
     */
    public record ChasePreview(
            @Nullable String recipient,
            List<Addressee> addressees,
            String subject,
            String body,
            List<String> wanted,
            @Nullable String chasedToday) {}

    @Transactional(readOnly = true)
    public ChasePreview preview(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        List<SlotAnswer> wanted = ledger.openSlots(viewer, fileId);
        List<Addressee> addressees = addressees(viewer, file, wanted);
        Optional<Addressee> first = addressees.stream().filter(Addressee::fits).findFirst();
        return new ChasePreview(
                first.map(Addressee::email).orElse(null),
                addressees,
                subject(wanted),
                first.map(Addressee::body).orElse(""),
                wanted.stream().map(SlotAnswer::label).toList(),
                outbox.todays(fileId, PURPOSE)
                        .map(n -> n.by() + ", " + calendar.words(n.at()))
                        .orElse(null));
    }

    private List<Addressee> addressees(Viewer viewer, PersonFile file, List<SlotAnswer> wanted) {
        Representation.Somebody person = PeopleAround.self(file);
        List<Representation.Somebody> related = around.around(viewer, file.id());
        List<Representation.Somebody> fit =
                Representation.addressees(person, file.birthDate(), related, calendar.today());
        List<Representation.Somebody> all = Stream.concat(
                        fit.stream(), Stream.concat(Stream.of(person), related.stream()))
                .filter(s -> s.email() != null)
                .distinct()
                .toList();
        Map<String, SilentAddresses.UnreachableAnswer> unreachable = silent.unreachableAmong(
                all.stream().map(s -> Objects.requireNonNull(s.email())).toList());
        return all.stream()
                .map(s -> new Addressee(
                        s.name(),
                        Objects.requireNonNull(s.email()),
                        s.kind() == null ? null : s.kind().label(),
                        fit.contains(s),
                        body(file, s, wanted, viewer),
                        Optional.ofNullable(unreachable.get(SilentAddresses.mailbox(Objects.requireNonNull(s.email()))))
                                .map(SilentAddresses.UnreachableAnswer::why)
                                .orElse(null)))
                .toList();
    }

    /**
     * @param to address of who is written to; null for the one proposed
     * @param body the text to send; null for the proposed one
     * @param again send although the person was chased today
     * @throws Refusal when nothing is wanted, nobody is proposed and none chosen, the address is nobody's around the
     *     person, or the person was chased today and {@code again} is false
     */
    @Transactional
    public void send(Viewer viewer, UUID fileId, @Nullable String to, @Nullable String body, boolean again) {
        viewer.requireChange();
        ChasePreview preview = preview(viewer, fileId);
        PersonFile file = files.visible(viewer, fileId);
        List<SlotAnswer> wanted = ledger.openSlots(viewer, fileId);
        if (wanted.isEmpty()) {
            throw Refusal.conflict("nothing-wanted", "Nothing is missing or about to lapse in this file.");
        }
        Addressee addressee = preview.addressees().stream()
                .filter(a -> to == null ? a.fits() : a.email().equals(to))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid("recipient", nobody(file, preview)));
        if (preview.chasedToday() != null && !again) {
            throw Refusal.conflict(
                    "chased-today", file.name() + " was chased today already (" + preview.chasedToday() + ").");
        }
        silent.unreachableAmong(List.of(addressee.email())).values().forEach(gone -> {
            throw Refusal.conflict(
                    "unreachable",
                    "Mails to " + addressee.email() + " came back (" + gone.why() + "). Mend the address under Details"
                            + " first, or say there that mails arrive again.");
        });
        String text = body == null || body.isBlank() ? addressee.body() : body;
        List<String> types =
                wanted.stream().flatMap(s -> s.types().stream()).distinct().toList();
        UUID number = Outbox.freshNumber();
        outbox.queue(
                number,
                viewer,
                Message.aboutPaper(fileId, null, types, PURPOSE, addressee.email(), preview.subject(), text));
        told.saveAll(wanted.stream()
                .map(s -> Told.byHand(
                        fileId, s, addressee.email(), addressee.name(), viewer.name(), calendar.today(), number))
                .toList());
        events.publishEvent(new Chased(
                viewer.name(),
                fileId,
                addressee.email(),
                wanted.stream()
                        .map(s -> new Wanted(s.checklist(), s.requirement()))
                        .toList()));
    }

    private String nobody(PersonFile file, ChasePreview preview) {
        boolean child = Representation.isChild(file.birthDate(), calendar.today());
        return !preview.addressees().isEmpty()
                ? "Choose whom to write to: " + (child ? file.name() + " is a child, and no guardian" : "nobody")
                        + " has an address here."
                : child
                        ? file.name() + " is a child, and no guardian with a mail address is related. Add one under"
                                + " Details first."
                        : "The file holds no mail address. Add one under Details first.";
    }

    /** It can be read over somebody's shoulder, so that it names no sensitive paper. */
    private String subject(List<SlotAnswer> wanted) {
        boolean isSensitive = wanted.stream().flatMap(s -> s.types().stream()).anyMatch(t -> catalog.type(t)
                .isSensitive());
        return wanted.size() == 1
                ? "A paper we need from you"
                        + (isSensitive ? "" : ": " + wanted.get(0).label())
                : wanted.size() + " papers we need from you";
    }

    private String body(PersonFile file, Representation.Somebody to, List<SlotAnswer> wanted, Viewer by) {
        boolean own = to.kind() == null;
        String greeted = !own ? to.name() : file.givenName().isEmpty() ? file.familyName() : file.givenName();
        String whose = own ? "your file " : "the file of " + file.name() + ", ";
        String lines = wanted.stream().map(Chase::line).collect(Collectors.joining("\n"));
        return "Dear " + greeted + ",\n\nfor " + whose + file.number() + (own ? "" : ",") + " at " + settings.name()
                + " we need:\n\n" + lines
                + "\n\nIf you have access to our portal, send the papers there; otherwise answer this mail or bring them by.\n\n"
                + "Kind regards,\n" + by.name() + "\n" + settings.look().closing();
    }

    private static String line(SlotAnswer slot) {
        return "  - " + slot.label() + ": " + WantedWords.of(slot);
    }
}
