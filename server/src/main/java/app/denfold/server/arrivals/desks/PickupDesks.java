package app.denfold.server.arrivals.desks;

import app.denfold.core.filing.FileNames;
import app.denfold.core.filing.SplitBatch;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** The desks that have a pickup folder, and what is set for each. */
@Service
public class PickupDesks {

    private final PickupDeskRepository desks;
    private final Catalog catalog;
    private final AuditTrail trail;
    private final Path root;
    private final int usualPause;

    PickupDesks(
            PickupDeskRepository desks,
            Catalog catalog,
            AuditTrail trail,
            @Value("${denfold.pickup}") Path root,
            @Value("${denfold.pickup-pause:2}") int usualPause) {
        this.usualPause = usualPause;
        this.desks = desks;
        this.catalog = catalog;
        this.trail = trail;
        this.root = root.toAbsolutePath();
    }

    /**
     * What is set for a desk.
     *
     * @param name of the folder
     * @param type code of the type its papers are proposed as
     * @param description goes as a note with each paper
     * @param source what stands there, such as “Scanner by the door”
     * @param splitEvery pages of one document; 0 for as many as there are
     * @param pauseSeconds for so long a file has to stand still before it is taken; from 1
     * @param filesCovers whether papers behind a cover sheet with person and type are filed without being asked
     */
    public record DeskDetails(
            String name,
            @Nullable String type,
            @Nullable String description,
            @Nullable String source,
            boolean splitBlank,
            boolean splitCounts,
            int splitEvery,
            boolean dropBlank,
            boolean filesCovers,
            int pauseSeconds) {}

    /** @param folder where the scanner saves to */
    record DeskAnswer(DeskDetails details, String folder) {}

    @Transactional(readOnly = true)
    List<DeskAnswer> all(Viewer viewer) {
        viewer.requireAdministrator();
        return details().stream()
                .map(d -> new DeskAnswer(d, root.resolve(d.name()).toString()))
                .toList();
    }

    /** What is set for each, by name. */
    List<DeskDetails> details() {
        return desks.findAll().stream()
                .map(PickupDesk::details)
                .sorted(Comparator.comparing(DeskDetails::name))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<String> names(Viewer viewer) {
        viewer.requireChange();
        return desks.findAll().stream().map(d -> d.details().name()).sorted().toList();
    }

    public Optional<PickupDesk> desk(String name) {
        return desks.findById(name);
    }

    /** Every folder that is there is a desk, also one made by hand. */
    @Transactional
    public PickupDesk known(String name) {
        desks.insertUnlessThere(name, usualPause);
        return desks.findById(name).orElseThrow();
    }

    /** Makes the desk and its folder, or changes what is set for it. */
    @Transactional
    public void set(Viewer viewer, DeskDetails details) {
        viewer.requireAdministrator();
        String name = details.name() == null ? "" : details.name().strip();
        if (name.isEmpty() || name.startsWith(".") || !name.equals(FileNames.safe(name))) {
            throw Refusal.invalid("name", "A desk needs a name that can be the name of a folder.");
        }
        if (details.splitEvery() < 0 || details.splitEvery() > 1_000) {
            throw Refusal.invalid("splitEvery", "A document has from 1 to 1000 pages; 0 means as many as there are.");
        }
        if (details.pauseSeconds() < 1 || details.pauseSeconds() > 600) {
            throw Refusal.invalid("pauseSeconds", "A file rests from 1 to 600 seconds before it is taken.");
        }
        if (details.type() != null) {
            catalog.type(details.type());
        }
        known(name).set(details);
        makeFolderAtCommit(root.resolve(name));
        trail.record(AuditEntry.ofFile(viewer.actor(), "set-up", null, "set up the pickup “" + name + "”"));
    }

    /** A folder is a desk, so none may be left of what was refused after all. */
    private static void makeFolderAtCommit(Path folder) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void beforeCommit(boolean readOnly) {
                try {
                    Files.createDirectories(folder);
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            }
        });
    }

    public SplitBatch.Rules rulesFor(Arrival arrival) {
        if (arrival.source() != Arrival.Source.PICKUP) {
            return SplitBatch.Rules.sure();
        }
        return desks.findById(arrival.broughtBy())
                .map(PickupDesk::details)
                .map(d -> new SplitBatch.Rules(
                        true, true, d.splitBlank(), d.splitCounts(), d.splitEvery(), d.dropBlank()))
                .orElse(SplitBatch.Rules.sure());
    }
}
