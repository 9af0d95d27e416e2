package app.denfold.server.letters.models;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.UploadedFile;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
class ModelFilesController {

    private final ModelFiles files;
    private final ReadOfficeFiles office;

    ModelFilesController(ModelFiles files, ReadOfficeFiles office) {
        this.files = files;
        this.office = office;
    }

    /** A model with all its versions as an open file: JSON, its forms, attachments and pictures, in a ZIP. */
    @GetMapping(path = "/api/letter-models/{id}/file", produces = "application/zip")
    void file(Viewer viewer, @PathVariable UUID id, HttpServletResponse response) throws IOException {
        ModelFiles.Written model = files.of(viewer, id);
        response.setContentType("application/zip");
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(model.name().replace('/', '-') + ".zip", StandardCharsets.UTF_8)
                        .build()
                        .toString());
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        files.write(model, response.getOutputStream());
    }

    /** Makes a model of such a file. */
    @PostMapping(path = "/api/set-up/letter-models/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ModelsController.MadeModel take(Viewer viewer, @RequestPart MultipartFile file) throws IOException {
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return new ModelsController.MadeModel(files.take(viewer, uploaded));
        }
    }

    /** The words of an office file, from which a model can go on. Its pictures are kept, the file is not. */
    @PostMapping(path = "/api/set-up/letter-models/words", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ReadOfficeFiles.OfficeAnswer words(Viewer viewer, @RequestPart MultipartFile file) throws IOException {
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return office.words(viewer, uploaded);
        }
    }
}
