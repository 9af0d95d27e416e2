package app.denfold.server.documents.wholefile;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.audit.TrailLine;
import app.denfold.server.people.PersonFiles;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The trail of a file, without lines about papers that the viewer may not see. */
@Service
class FileTrail {

    private static final int MOST_LINES = 500;

    private final PersonFiles files;
    private final AuditTrail trail;

    FileTrail(PersonFiles files, AuditTrail trail) {
        this.files = files;
        this.trail = trail;
    }

    /** Newest first, with the lines of files that were merged into it. */
    @Transactional(readOnly = true)
    public List<TrailLine> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return trail.ofFiles(viewer, files.withMerged(fileId), MOST_LINES);
    }
}
