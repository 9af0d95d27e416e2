package app.denfold.server.arrivals.pickup;

import app.denfold.paper.FileEnd;
import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.desks.FilesAtDesks;
import app.denfold.server.arrivals.desks.PickupDesk;
import app.denfold.server.arrivals.desks.PickupDesks;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Watches the folders that scanners save into: every folder within the pickup folder belongs to one desk. A file is taken
 * when its writer closed it and no program here holds it open for writing, it has the end its format asks for, and it has
 * stood still for the desk's own pause. It leaves the folder only after it is stored and its row committed, and its
 * original waits in {@code taken} for some days. What is not taken moves to {@code set-aside} beside it, with a note.
 */
@Component
class PickupJob {

    private static final Logger LOG = LoggerFactory.getLogger(PickupJob.class);

    /** A file whose format has an end that never comes is taken as it is after so long, and set aside as broken. */
    private static final Duration NEVER_ENDS = Duration.ofMinutes(2);

    /** After a failure that is not the file's fault it is tried again after so long. */
    private static final Duration PAUSE_AFTER_FAILURE = Duration.ofSeconds(2);

    private final Path root;
    private final Arrivals arrivals;
    private final PickupDesks desks;
    private final FilesAtDesks atDesks;
    private final TakenFileStore takenFiles;
    private final BeingWritten written;
    private final AuditTrail trail;
    private final Duration kept;
    private final Duration neverEnds;
    private final Set<Path> announced = new HashSet<>();
    private final Map<PickupFile, Instant> seen = new HashMap<>();

    PickupJob(
            @Value("${denfold.pickup}") Path root,
            @Value("${denfold.pickup-kept:P7D}") Duration kept,
            @Value("${denfold.pickup-never-ends:PT2M}") Duration neverEnds,
            Arrivals arrivals,
            PickupDesks desks,
            FilesAtDesks atDesks,
            TakenFileStore takenFiles,
            BeingWritten written,
            AuditTrail trail)
            throws IOException {
        this.root = root.toAbsolutePath();
        this.kept = kept;
        this.neverEnds = neverEnds;
        this.arrivals = arrivals;
        this.desks = desks;
        this.atDesks = atDesks;
        this.takenFiles = takenFiles;
        this.written = written;
        this.trail = trail;
        Files.createDirectories(this.root.resolve("Office desk"));
    }

    @Scheduled(fixedDelayString = "${denfold.pickup-interval:1000}")
    void poll() {
        try (DirectoryStream<Path> found = Files.newDirectoryStream(root)) {
            for (Path folder : found) {
                if (Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
                    poll(folder);
                }
            }
        } catch (IOException unreadable) {
            LOG.warn("The pickup folder {} cannot be read: {}", root, unreadable.getMessage());
        }
    }

    private void poll(Path path) {
        DeskFolder folder = new DeskFolder(path);
        try {
            if (announced.add(path)) {
                desks.known(folder.name());
            }
            List<PickupFile> papers = folder.papers();
            seen.keySet().removeIf(known -> known.path().startsWith(path) && !papers.contains(known));
            if (papers.isEmpty()) {
                return;
            }
            PickupDesk desk = desks.known(folder.name());
            for (PickupFile paper : ready(papers, desk)) {
                take(folder, desk, paper);
            }
        } catch (IOException unreadable) {
            LOG.warn("The pickup {} cannot be read: {}", path, unreadable.getMessage());
        } catch (RuntimeException failed) {
            LOG.error("The pickup {} is looked into again later", path, failed);
        }
    }

    /** Those that have stood still for long enough and that nobody writes to. */
    private List<PickupFile> ready(List<PickupFile> papers, PickupDesk desk) throws IOException {
        Instant now = Instant.now();
        List<PickupFile> still = new ArrayList<>();
        for (PickupFile paper : papers) {
            Instant since = seen.computeIfAbsent(paper, p -> now);
            if (!Duration.between(since, now).minus(desk.pause()).isNegative()) {
                still.add(paper);
            }
        }
        Set<Long> open = still.isEmpty() ? Set.of() : OpenForWriting.among(still);
        List<PickupFile> ready = new ArrayList<>();
        for (PickupFile paper : still) {
            if (!open.contains(paper.inode()) && !written.contains(paper.path()) && isWhole(paper, now)) {
                ready.add(paper);
            }
        }
        return ready;
    }

    private boolean isWhole(PickupFile paper, Instant now) {
        try {
            return FileEnd.of(paper.path()) != FileEnd.Found.MISSING
                    || !Duration.between(seen.get(paper), now).minus(neverEnds).isNegative();
        } catch (IOException unreadable) {
            return false;
        }
    }

    private void take(DeskFolder folder, PickupDesk desk, PickupFile paper) throws IOException {
        try {
            if (!paper.hasReadableName()) {
                throw Refusal.invalid(
                        "file", "The name of this file cannot be read. Give it another name and save it again.");
            }
            if (!takenFiles.isTaken(folder.name(), paper)) {
                receive(folder, desk, paper);
            }
            moveToTaken(folder, paper);
        } catch (Refusal refused) {
            setAside(folder, paper, refused.getMessage());
        } catch (ChangedMeanwhile growing) {
            seen.remove(paper);
        } catch (NotNow later) {
            LOG.warn(
                    "“{}” stays in the pickup {} and is tried again: {}",
                    paper.name(),
                    folder.name(),
                    later.getMessage());
            wait(paper, desk);
        } catch (RuntimeException failed) {
            LOG.error("“{}” stays in the pickup {} and is tried again", paper.name(), folder.name(), failed);
            wait(paper, desk);
        }
    }

    private void wait(PickupFile paper, PickupDesk desk) {
        seen.put(paper, Instant.now().plus(PAUSE_AFTER_FAILURE).minus(desk.pause()));
    }

    /** Somebody wrote to the file while it was stored; what was stored is not the paper. */
    private static final class ChangedMeanwhile extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    private void receive(DeskFolder folder, PickupDesk desk, PickupFile paper) {
        arrivals.receive(
                new ReceivedPaper(
                        paper.path(),
                        shownName(paper),
                        Arrival.Source.PICKUP,
                        Actor.system(folder.name()),
                        atDesks.openAt(folder.name()).orElse(null),
                        desk.type(),
                        desk.description()),
                arrival -> {
                    if (!paper.isStillThere()) {
                        throw new ChangedMeanwhile();
                    }
                    takenFiles.note(folder.name(), paper, arrival, Instant.now());
                });
    }

    private static String shownName(PickupFile paper) {
        String name = paper.name();
        return name.substring(Math.max(0, name.length() - 200));
    }

    private void moveToTaken(DeskFolder folder, PickupFile paper) throws IOException {
        Optional<String> as = folder.moveToTaken(paper);
        seen.remove(paper);
        as.ifPresent(name -> takenFiles.moved(folder.name(), paper, name));
    }

    private void setAside(DeskFolder folder, PickupFile paper, @Nullable String reason) throws IOException {
        if (folder.setAside(paper, reason)) {
            trail.record(AuditEntry.general(
                    Actor.system(folder.name()),
                    "pickup-set-aside",
                    "left “" + paper.name() + "” in the pickup “" + folder.name() + "”, set aside: " + reason));
        }
        seen.remove(paper);
    }

    /**
     * Looks after the originals in {@code taken}: one that a writer elsewhere went on with becomes a paper of its own, one
     * that has lain long enough is deleted.
     */
    @Scheduled(fixedDelayString = "${denfold.pickup-taken-interval:PT20S}", initialDelayString = "PT10S")
    void tendTaken() {
        try (DirectoryStream<Path> found = Files.newDirectoryStream(root)) {
            for (Path path : found) {
                if (Files.isDirectory(path, LinkOption.NOFOLLOW_LINKS)) {
                    tendTaken(new DeskFolder(path));
                }
            }
        } catch (IOException unreadable) {
            LOG.warn("What was taken from {} is looked after later: {}", root, unreadable.getMessage());
        }
    }

    private void tendTaken(DeskFolder folder) throws IOException {
        Instant now = Instant.now();
        for (TakenFileStore.TakenFile taken : takenFiles.ofDesk(folder.name())) {
            if (taken.movedAs() == null) {
                forgetWhenGone(folder, taken, now);
                continue;
            }
            Optional<PickupFile> file = folder.taken(taken.movedAs());
            if (file.isEmpty()) {
                takenFiles.forget(taken);
            } else if (file.get().size() != taken.size() || file.get().modified() != taken.modified()) {
                LOG.warn("“{}” was written to after it was taken; it is taken again", taken.movedAs());
                folder.putBackFromTaken(taken.movedAs());
                takenFiles.forget(taken);
            } else if (taken.takenAt().plus(kept).isBefore(now)) {
                folder.deleteTaken(file.get());
                takenFiles.forget(taken);
            }
        }
    }

    /** Its file was taken away by somebody else before it could be moved. */
    private void forgetWhenGone(DeskFolder folder, TakenFileStore.TakenFile taken, Instant now) throws IOException {
        boolean isThere = folder.papers().stream().anyMatch(f -> f.inode() == taken.inode());
        if (!isThere && taken.takenAt().plus(NEVER_ENDS).isBefore(now)) {
            takenFiles.forget(taken);
        }
    }
}
