package app.denfold.server.uploads;

import app.denfold.server.access.Viewer;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RestController;

/** The open protocol tus 1.0.0: the bytes of files, which may come in pieces. */
@Hidden
@RestController
class UploadsController {

    private final ResumableUploads uploads;

    UploadsController(ResumableUploads uploads) {
        this.uploads = uploads;
    }

    @RequestMapping(
            path = {ResumableUploads.ADDRESS, ResumableUploads.ADDRESS + "/*"},
            method = {
                RequestMethod.POST,
                RequestMethod.HEAD,
                RequestMethod.PATCH,
                RequestMethod.DELETE,
                RequestMethod.OPTIONS
            })
    void piece(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        uploads.process(viewer, request, response);
    }
}
