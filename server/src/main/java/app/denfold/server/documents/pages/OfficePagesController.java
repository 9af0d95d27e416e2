package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Download;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Office files laid out as pages. */
@RestController
@RequestMapping("/api/documents/{id}/versions/{number}/laid-out")
class OfficePagesController {

    private final Documents documents;
    private final Contents contents;
    private final OfficePages office;
    private final Download download;
    private final AuditTrail trail;

    OfficePagesController(
            Documents documents, Contents contents, OfficePages office, Download download, AuditTrail trail) {
        this.documents = documents;
        this.contents = contents;
        this.office = office;
        this.download = download;
        this.trail = trail;
    }

    /** @param size in bytes */
    record LaidOutAnswer(int pages, long size) {

        static LaidOutAnswer of(Content copy) {
            return new LaidOutAnswer(copy.pages(), copy.size());
        }
    }

    /** Has it laid out, unless it is already. */
    @PostMapping
    LaidOutAnswer layOut(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        return LaidOutAnswer.of(contents.content(office.of(sha256(viewer, id, number))));
    }

    /** The pages as PDF, in ranges. */
    @GetMapping(path = "/reading", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> reading(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        return download.inPage(office.of(sha256(viewer, id, number)));
    }

    private String sha256(Viewer viewer, UUID id, int number) {
        FiledDocument document = documents.visible(viewer, id);
        trail.lookedAt(viewer, document.fileId(), id, document.name());
        List<DocumentVersion> versions = documents.versions(id);
        if (number < 1 || number > versions.size()) {
            throw Refusal.notFound("version");
        }
        return versions.get(number - 1).sha256();
    }
}
