package app.denfold.server.settings;

import app.denfold.core.sharing.Granted;
import app.denfold.core.sharing.Granted.Deed;
import app.denfold.paper.Format;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.practice.DayOrder;
import app.denfold.server.practice.EvidenceAddresses;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.SessionLimits;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Changes the practice's own settings, and tells of it in the trail. */
@Service
class SetUpPractice {

    private final PracticeSettings settings;
    private final AuditTrail trail;
    private final Accounts accounts;
    private final PaperWorkers workers;
    private final TransactionTemplate transactions;

    /** The most bytes an image may have that becomes the mark. */
    private static final long MOST_OF_MARK = 5_000_000;

    /** How wide the mark is kept, in pixels: twice as wide as it is ever shown. */
    private static final int MARK_WIDTH = 640;

    SetUpPractice(
            PracticeSettings settings,
            AuditTrail trail,
            Accounts accounts,
            @Qualifier("quickWorkers") PaperWorkers workers,
            TransactionTemplate transactions) {
        this.accounts = accounts;
        this.settings = settings;
        this.trail = trail;
        this.workers = workers;
        this.transactions = transactions;
    }

    /**
     * How the practice shows itself from now on.
     *
     * @throws Refusal when white words on the colour could hardly be read, or a language is none
     */
    @Transactional
    void show(Viewer viewer, PracticeLook look) {
        viewer.requireAdministrator();
        settings.show(look);
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "set how the practice shows itself: " + look.name()
                        + (look.mailFrom() == null ? "" : ", mails from " + look.mailFrom())));
    }

    /**
     * This image is the practice's mark from now on; it is drawn anew, so that nothing but the picture is kept.
     *
     * @throws Refusal when it is no picture in PNG or JPEG, or has more than 5 MB
     */
    void mark(Viewer viewer, Path image, String fileName) throws IOException {
        viewer.requireAdministrator();
        if (Files.size(image) > MOST_OF_MARK) {
            throw Refusal.invalid("mark", "The image has more than 5 MB. A smaller one does as well.");
        }
        if (!(workers.identify(image, fileName) instanceof Reading.Readable picture)
                || picture.format() != Format.PNG && picture.format() != Format.JPEG) {
            throw Refusal.invalid("mark", "This is no whole picture in PNG or JPEG.");
        }
        Path drawn = Files.createTempFile("mark", ".png");
        try {
            workers.draw(image, picture.format(), 1, MARK_WIDTH, 0, drawn);
            byte[] png = Files.readAllBytes(drawn);
            transactions.executeWithoutResult(t -> {
                settings.mark(png, Secrets.sha256(png));
                trail.record(AuditEntry.general(viewer.actor(), "set-up", "set the practice’s mark"));
            });
        } catch (WorkerFailed damaged) {
            throw Refusal.invalid("mark", "This picture cannot be shown. Is it whole?");
        } finally {
            Files.deleteIfExists(drawn);
        }
    }

    /** It has no mark from now on. */
    @Transactional
    void unmark(Viewer viewer) {
        viewer.requireAdministrator();
        settings.mark(null, null);
        trail.record(AuditEntry.general(viewer.actor(), "set-up", "removed the practice’s mark"));
    }

    /** What people with an account may do in their own file from now on. */
    @Transactional
    void allowInOwnFile(Viewer viewer, Set<Deed> deeds) {
        viewer.requireAdministrator();
        settings.allowInOwnFile(deeds.stream().map(Deed::name).sorted().toList());
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "set what people may in their own file: " + new Granted(deeds, Map.of(), null).words(Map.of())));
    }

    /**
     * How people sign in and how long they stay; limits hold for sessions that are open as well.
     *
     * @param idleMinutes from 5 to 1440
     * @param mostHours from 1 to 720
     * @param secondFactor roles that are let in only with one
     */
    @Transactional
    void limitSessions(Viewer viewer, int idleMinutes, int mostHours, Set<Role> secondFactor) {
        viewer.requireAdministrator();
        if (secondFactor.contains(Role.PROGRAM)) {
            throw Refusal.invalid("secondFactor", "Programs come in by their keys.");
        }
        settings.demandSecondFactor(
                secondFactor.stream().map(Role::name).sorted().toList());
        settings.limit(new SessionLimits(Duration.ofMinutes(idleMinutes), Duration.ofHours(mostHours)));
        accounts.limitIdle(Duration.ofMinutes(idleMinutes));
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "limited sessions to " + idleMinutes + " minutes without use and " + mostHours
                        + " hours altogether; a second factor is asked of "
                        + (secondFactor.isEmpty()
                                ? "nobody"
                                : secondFactor.stream()
                                        .map(r -> r.name().toLowerCase(Locale.ROOT) + "s")
                                        .sorted()
                                        .collect(Collectors.joining(", ")))));
    }

    /**
     * @param confirm whether colleagues show password or second factor again when they sign
     * @param addresses how much of mail addresses stands on evidence
     */
    @Transactional
    void signing(Viewer viewer, boolean confirm, EvidenceAddresses addresses) {
        viewer.requireAdministrator();
        if (confirm != settings.confirmSigning()) {
            settings.confirmSigning(confirm);
            trail.record(AuditEntry.general(
                    viewer.actor(),
                    "set-up",
                    confirm
                            ? "asks colleagues for the password again when they sign"
                            : "no longer asks for the password when signing"));
        }
        if (addresses != settings.evidenceAddresses()) {
            settings.evidenceAddresses(addresses);
            trail.record(AuditEntry.general(viewer.actor(), "set-up", words(addresses)));
        }
    }

    private static String words(EvidenceAddresses addresses) {
        return switch (addresses) {
            case NONE -> "shows no mail addresses of signers on evidence any more";
            case SHORT -> "shows mail addresses of signers on evidence in short";
            case FULL -> "shows mail addresses of signers on evidence in full";
        };
    }

    /**
     * How the practice counts and writes days from now on.
     *
     * @param zone by its IANA name
     * @param weekStart by ISO 8601: 1 for Monday, 7 for Sunday
     * @throws Refusal when there is no such zone or day
     */
    @Transactional
    void keepDays(Viewer viewer, String zone, DayOrder order, int weekStart) {
        viewer.requireAdministrator();
        if (!ZoneId.getAvailableZoneIds().contains(zone)) {
            throw Refusal.invalid("zone", "There is no time zone “" + zone + "”.");
        }
        if (weekStart < 1 || weekStart > 7) {
            throw Refusal.invalid("weekStart", "Weeks begin with a day from 1, Monday, to 7, Sunday.");
        }
        DayOfWeek first = DayOfWeek.of(weekStart);
        settings.keepDays(ZoneId.of(zone), order, first);
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "set the practice’s days: time zone " + zone + ", "
                        + (order == DayOrder.DAY_FIRST ? "day before month" : "month before day")
                        + ", weeks from " + first.getDisplayName(TextStyle.FULL, Locale.ENGLISH)));
    }
}
