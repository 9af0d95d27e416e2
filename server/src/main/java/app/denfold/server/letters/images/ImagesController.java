package app.denfold.server.letters.images;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.letters.images.Images.ImageAnswer;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
class ImagesController {

    private static final int WIDTH = 900;

    private final Images images;
    private final Download download;

    ImagesController(Images images, Download download) {
        this.images = images;
        this.download = download;
    }

    /** Takes a picture in that letters can show. */
    @PostMapping(path = "/api/set-up/letter-images", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ImageAnswer add(Viewer viewer, @RequestPart MultipartFile file) throws IOException {
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return images.add(viewer, uploaded);
        }
    }

    /** Such a picture. */
    @GetMapping(path = "/api/letter-images/{id}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> one(Viewer viewer, @PathVariable UUID id) {
        return download.page(images.content(id), 1, WIDTH);
    }
}
