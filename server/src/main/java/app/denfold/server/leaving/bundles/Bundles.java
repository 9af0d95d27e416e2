package app.denfold.server.leaving.bundles;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps which papers are given together: of one file, or found together in several. */
@Service
class Bundles {

    private static final int MOST_PAPERS = 50;
    private static final int MOST_IN_FILE = 100;
    private static final int MOST_ACROSS = 1_000;
    private static final int LONGEST = 120;

    private final BundleRepository bundles;
    private final Documents documents;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Bundles(
            BundleRepository bundles,
            Documents documents,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.bundles = bundles;
        this.documents = documents;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param isNewer whether it has a version that was made since the bundle was last given */
    record PaperInBundle(UUID id, String name, boolean isNewer) {}

    /**
     * @param papers that the viewer may see and that are still there, in their order
     * @param gone how many are no longer there
     * @param acrossFiles whether its papers are of several files
     * @param givenAt when it was last given; null when that was never
     */
    record BundleAnswer(
            UUID id,
            String name,
            List<PaperInBundle> papers,
            int gone,
            boolean acrossFiles,
            String by,
            @Nullable Instant givenAt) {}

    /** Of a file, those of several files with papers of this one among them, by name. */
    @Transactional(readOnly = true)
    List<BundleAnswer> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        List<UUID> all =
                documents.ofFile(fileId).stream().map(FiledDocument::id).toList();
        // one of several files shows only where the viewer sees a paper of it
        UUID[] papers =
                documents.visible(viewer, all).stream().map(FiledDocument::id).toArray(UUID[]::new);
        return bundles.findOf(fileId, papers).stream()
                .filter(b -> maySee(viewer, b))
                .map(b -> answer(viewer, b))
                .toList();
    }

    private BundleAnswer answer(Viewer viewer, Bundle bundle) {
        Map<UUID, FiledDocument> visible = stillThere(viewer, bundle);
        List<PaperInBundle> papers = bundle.documents().stream()
                .filter(visible::containsKey)
                .map(id -> paper(Objects.requireNonNull(visible.get(id)), bundle.givenAt()))
                .toList();
        int gone =
                bundle.documents().size() - stillThere(Viewer.product(), bundle).size();
        return new BundleAnswer(
                bundle.id(), bundle.name(), papers, gone, bundle.fileId() == null, bundle.byName(), bundle.givenAt());
    }

    /** Of its papers those that the viewer may see and that are still there; those of one file must still be in it. */
    private Map<UUID, FiledDocument> stillThere(Viewer viewer, Bundle bundle) {
        return documents.visible(viewer, new HashSet<>(bundle.documents())).stream()
                .filter(d -> bundle.fileId() == null || d.fileId().equals(bundle.fileId()))
                .collect(Collectors.toMap(FiledDocument::id, d -> d));
    }

    /** Whether the viewer may know of it: not of one whose papers are all hidden from them. */
    private boolean maySee(Viewer viewer, Bundle bundle) {
        return !stillThere(viewer, bundle).isEmpty()
                || stillThere(Viewer.product(), bundle).isEmpty();
    }

    private static PaperInBundle paper(FiledDocument paper, @Nullable Instant givenAt) {
        return new PaperInBundle(
                paper.id(),
                paper.name(),
                givenAt != null && paper.latest().madeAt().isAfter(givenAt));
    }

    /** @throws Refusal when it has no name or no papers, or one may not be seen */
    @Transactional
    UUID make(Viewer viewer, String name, List<UUID> ids) {
        viewer.requireChange();
        List<UUID> papers = checked(ids);
        Set<UUID> of = papers.stream()
                .map(id -> documents.visible(viewer, id).fileId())
                .collect(Collectors.toSet());
        UUID fileId = of.size() == 1 ? of.iterator().next() : null;
        requireRoom(fileId);
        Bundle bundle = bundles.save(new Bundle(fileId, checkedName(name), papers, viewer.name(), calendar.now()));
        tell(viewer, bundle, "made the bundle");
        return bundle.id();
    }

    /** Its papers stay. */
    @Transactional
    void remove(Viewer viewer, UUID id) {
        viewer.requireChange();
        Bundle bundle = visible(viewer, id);
        bundles.delete(bundle);
        tell(viewer, bundle, "removed the bundle");
    }

    /** Notes that it was given just now. */
    @Transactional
    void given(Viewer viewer, UUID id) {
        Bundle bundle = visible(viewer, id);
        bundle.given(calendar.now());
        tell(viewer, bundle, "gave the bundle");
    }

    private Bundle visible(Viewer viewer, UUID id) {
        Bundle bundle = bundles.findById(id).orElseThrow(() -> Refusal.notFound("bundle"));
        if (bundle.fileId() != null) {
            files.visible(viewer, bundle.fileId());
        }
        if (!maySee(viewer, bundle)) {
            throw Refusal.notFound("bundle");
        }
        return bundle;
    }

    private void requireRoom(@Nullable UUID fileId) {
        if (fileId != null && bundles.countByFileId(fileId) >= MOST_IN_FILE) {
            throw Refusal.invalid("name", "A file holds up to " + MOST_IN_FILE + " bundles.");
        }
        if (fileId == null && bundles.countByFileIdIsNull() >= MOST_ACROSS) {
            throw Refusal.invalid(
                    "name", "Up to " + MOST_ACROSS + " bundles hold papers of several files. Remove one first.");
        }
    }

    private static String checkedName(String name) {
        if (name.isBlank() || name.length() > LONGEST) {
            throw Refusal.invalid("name", "Give the bundle a name of up to " + LONGEST + " letters.");
        }
        return name.strip();
    }

    private static List<UUID> checked(List<UUID> ids) {
        List<UUID> distinct = ids.stream().distinct().toList();
        if (distinct.isEmpty() || distinct.size() > MOST_PAPERS) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST_PAPERS + " papers.");
        }
        return distinct;
    }

    private void tell(Viewer viewer, Bundle bundle, String done) {
        Set<String> types = stillThere(Viewer.product(), bundle).values().stream()
                .flatMap(d -> d.types().stream())
                .collect(Collectors.toSet());
        trail.record(AuditEntry.ofFile(viewer.actor(), "bundle", bundle.fileId(), done + " “" + bundle.name() + "”")
                .about(types));
    }
}
