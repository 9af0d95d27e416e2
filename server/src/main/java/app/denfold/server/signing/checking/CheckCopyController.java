package app.denfold.server.signing.checking;

import app.denfold.server.content.UploadedFile;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Checking a sealed copy, for anyone who holds one. */
@RestController
class CheckCopyController {

    private final CheckCopy copies;

    CheckCopyController(CheckCopy copies) {
        this.copies = copies;
    }

    /** Whether a PDF is from this practice, unchanged and the newest; it is not kept. */
    @PostMapping(path = "/api/copies/check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    CheckCopy.CopyAnswer check(@RequestPart MultipartFile file, HttpServletRequest request) throws IOException {
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return copies.check(uploaded.path(), request.getRemoteAddr());
        }
    }
}
