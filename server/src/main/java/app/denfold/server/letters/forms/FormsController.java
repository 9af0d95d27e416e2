package app.denfold.server.letters.forms;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.letters.forms.Forms.FormAnswer;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
class FormsController {

    private final Forms forms;
    private final Download download;

    FormsController(Forms forms, Download download) {
        this.forms = forms;
        this.download = download;
    }

    /** Takes a PDF form in, and finds its fields. */
    @PostMapping(path = "/api/set-up/letter-forms", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    FormAnswer add(Viewer viewer, @RequestPart MultipartFile file) throws IOException {
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return forms.add(viewer, uploaded);
        }
    }

    /** A form with its fields. */
    @GetMapping("/api/letter-forms/{id}")
    FormAnswer one(Viewer viewer, @PathVariable UUID id) {
        return forms.one(id);
    }

    /** A page of a form. */
    @GetMapping(path = "/api/letter-forms/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width) {
        return download.page(forms.content(id), page, width);
    }
}
