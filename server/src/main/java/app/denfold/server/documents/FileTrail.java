package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.audit.TrailLine;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.people.Files;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The trail of a file, without lines about papers that the viewer may not see. */
@Service
class FileTrail {

    private static final int MOST_LINES = 500;

    private final Files files;
    private final Documents documents;
    private final Catalog catalog;
    private final AuditTrail trail;

    FileTrail(Files files, Documents documents, Catalog catalog, AuditTrail trail) {
        this.files = files;
        this.documents = documents;
        this.catalog = catalog;
        this.trail = trail;
    }

    /** Newest first, with the lines of files that were merged into it. */
    @Transactional(readOnly = true)
    public List<TrailLine> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        List<TrailLine> lines = trail.ofFiles(files.withMerged(fileId), MOST_LINES);
        if (viewer.seesSensitive()) {
            return lines;
        }
        List<String> sensitive = catalog.sensitiveTypes();
        Set<UUID> hidden = documents.ofFile(fileId).stream()
                .filter(d -> d.isOfAny(sensitive))
                .map(FiledDocument::id)
                .collect(Collectors.toSet());
        return lines.stream().filter(l -> !hidden.contains(l.documentId())).toList();
    }
}
