package app.denfold.server.signing.asking;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.uploads.ResumableUploads;
import jakarta.validation.Valid;
import java.io.IOException;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class AskManyController {

    private final AskMany askMany;
    private final ResumableUploads uploads;

    AskManyController(AskMany askMany, ResumableUploads uploads) {
        this.askMany = askMany;
        this.uploads = uploads;
    }

    /** The same form for many people, each with a request of the own. */
    @PostMapping("/api/signature-requests/many")
    AskMany.ManyAsked ask(Viewer viewer, @Valid @RequestBody AskMany.ManyDetails body) throws IOException {
        try (UploadedFile sent = uploads.whole(viewer, body.upload())) {
            return askMany.ask(viewer, body, sent.path(), sent.name());
        }
    }
}
