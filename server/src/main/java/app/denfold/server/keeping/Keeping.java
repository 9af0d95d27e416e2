package app.denfold.server.keeping;

import app.denfold.core.keeping.KeepingRules;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.keeping.FilesToLeave.Due;
import app.denfold.server.keeping.HoldFiles.KeepingHoldAnswer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.problems.Refusal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What administrators see and decide of keeping: the rules, the files that may leave, those on hold, and those destroyed. */
@Service
public class Keeping {

    static final int MOST = 500;

    private final KeptPeriodsRepository periods;
    private final FilesToLeave due;
    private final HoldFiles holds;
    private final DestroyedFileRepository destroyed;
    private final DestroyFilesJob job;
    private final PersonFiles files;
    private final Kinds kinds;
    private final Catalog catalog;
    private final AuditTrail trail;

    Keeping(
            KeptPeriodsRepository periods,
            FilesToLeave due,
            HoldFiles holds,
            DestroyedFileRepository destroyed,
            DestroyFilesJob job,
            PersonFiles files,
            Kinds kinds,
            Catalog catalog,
            AuditTrail trail) {
        this.periods = periods;
        this.due = due;
        this.holds = holds;
        this.destroyed = destroyed;
        this.job = job;
        this.files = files;
        this.kinds = kinds;
        this.catalog = catalog;
        this.trail = trail;
    }

    /** @param leftOn the person's last day @param rule that decided, in words @param papers also those in the wastebasket */
    record DueAnswer(
            UUID id,
            String number,
            String name,
            String kind,
            LocalDate leftOn,
            LocalDate keptUntil,
            String rule,
            int papers) {

        static DueAnswer of(Due due) {
            return new DueAnswer(
                    due.file().id(),
                    due.file().number(),
                    due.file().name(),
                    due.kindLabel(),
                    due.file().leftOn(),
                    due.keptUntil(),
                    due.rule(),
                    due.file().papers());
        }
    }

    record HeldAnswer(UUID id, String number, String name, KeepingHoldAnswer hold) {}

    /** Files that were destroyed together. */
    record CertificateAnswer(UUID id, Instant at, String by, long files) {}

    /**
     * @param changes how often the rules were changed, which a change of them has to name
     * @param due up to 500 of those that may leave, first those that left first @param dueCount of all of them
     */
    record KeepingAnswer(
            int changes,
            KeepingPeriods rules,
            List<DueAnswer> due,
            int dueCount,
            List<HeldAnswer> held,
            List<CertificateAnswer> destroyed) {}

    @Transactional(readOnly = true)
    KeepingAnswer answer(Viewer viewer) {
        viewer.requireAdministrator();
        KeptPeriods kept = kept();
        Map<UUID, KeepingHold> held = holds.all();
        List<Due> leaving = leaving(viewer, kept.periods().rules(), held.keySet());
        return new KeepingAnswer(
                kept.changes(),
                kept.periods(),
                leaving.stream().limit(MOST).map(DueAnswer::of).toList(),
                leaving.size(),
                files.files(files.visibleAmong(viewer, held.keySet())).stream()
                        .sorted(Comparator.comparing(PersonFile::number))
                        .map(f -> new HeldAnswer(
                                f.id(),
                                f.number(),
                                f.name(),
                                KeepingHoldAnswer.of(Objects.requireNonNull(held.get(f.id())))))
                        .toList(),
                destroyed.findTogether(Limit.of(MOST)).stream()
                        .map(t -> new CertificateAnswer(t.getCertificate(), t.getOn(), t.getWho(), t.getFiles()))
                        .toList());
    }

    private KeptPeriods kept() {
        return periods.findById(true).orElseThrow();
    }

    private List<Due> leaving(Viewer viewer, KeepingRules rules, Set<UUID> held) {
        List<Due> all = due.under(rules).stream()
                .filter(d -> !held.contains(d.file().id()))
                .toList();
        Set<UUID> visible =
                files.visibleAmong(viewer, all.stream().map(d -> d.file().id()).collect(Collectors.toSet()));
        return all.stream().filter(d -> visible.contains(d.file().id())).toList();
    }

    /** How many files could leave now, for whoever decides about them; 0 for all others. */
    @Transactional(readOnly = true)
    public int dueCount(Viewer viewer) {
        return viewer.isAdministrator()
                ? leaving(viewer, kept().periods().rules(), holds.all().keySet())
                        .size()
                : 0;
    }

    /** How many files could leave at once if these were the rules. @throws Refusal when they make no sense */
    @Transactional(readOnly = true)
    int effect(Viewer viewer, KeepingPeriods wanted) {
        viewer.requireAdministrator();
        return leaving(viewer, checked(wanted).rules(), holds.all().keySet()).size();
    }

    /** @throws Refusal when they make no sense, or somebody else changed them since {@code changes} */
    @Transactional
    public void change(Viewer viewer, int changes, KeepingPeriods to) {
        viewer.requireAdministrator();
        KeptPeriods kept = periods.lock();
        if (kept.changes() != changes) {
            throw Refusal.changedMeanwhile("these rules");
        }
        kept.change(checked(to));
        trail.record(AuditEntry.general(viewer.actor(), "keeping-rules", "changed for how long files are kept"));
    }

    private KeepingPeriods checked(KeepingPeriods periods) {
        return periods.checked(
                kinds.all().stream().map(PersonKind::code).collect(Collectors.toSet()),
                catalog.rules().types().keySet());
    }

    /**
     * Has files destroyed. Each is looked at once more when its turn comes.
     *
     * @return the number of the certificate
     * @throws Refusal when none is chosen, or one of them may not leave
     */
    @Transactional
    UUID destroy(Viewer viewer, List<UUID> chosen) {
        viewer.requireAdministrator();
        if (chosen.isEmpty() || chosen.size() > MOST) {
            throw Refusal.invalid("files", "Choose from 1 to " + MOST + " files.");
        }
        Set<UUID> may = leaving(viewer, kept().periods().rules(), holds.all().keySet()).stream()
                .map(d -> d.file().id())
                .collect(Collectors.toSet());
        if (!may.containsAll(new HashSet<>(chosen))) {
            throw Refusal.conflict(
                    "kept-yet",
                    "One of these files may not leave any more. Nothing was destroyed; look at the list again.");
        }
        return job.begin(viewer, chosen.stream().distinct().toList());
    }

    /** A file that was destroyed, as its certificate tells. */
    record DestroyedAnswer(
            String number,
            String kind,
            LocalDate leftOn,
            LocalDate keptUntil,
            String rule,
            int papers,
            String by,
            Instant at) {}

    /** @throws Refusal when nothing was destroyed under it */
    @Transactional(readOnly = true)
    List<DestroyedAnswer> certificate(Viewer viewer, UUID certificate) {
        viewer.requireAdministrator();
        List<DestroyedAnswer> all = destroyed.findByCertificateOrderByNumber(certificate).stream()
                .map(d -> new DestroyedAnswer(
                        d.number(), d.kindLabel(), d.leftOn(), d.keptUntil(), d.rule(), d.papers(), d.byName(), d.at()))
                .toList();
        if (all.isEmpty()) {
            throw Refusal.notFound("certificate");
        }
        return all;
    }
}
