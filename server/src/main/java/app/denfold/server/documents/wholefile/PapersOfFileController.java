package app.denfold.server.documents.wholefile;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PapersOfFileController {

    private final PapersOfFile papers;

    PapersOfFileController(PapersOfFile papers) {
        this.papers = papers;
    }

    @GetMapping("/api/files/{id}/papers")
    List<PapersOfFile.PaperInFile> papers(Viewer viewer, @PathVariable UUID id) {
        return papers.of(viewer, id);
    }
}
