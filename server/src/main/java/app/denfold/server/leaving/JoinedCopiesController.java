package app.denfold.server.leaving;

import app.denfold.server.access.Viewer;
import app.denfold.server.leaving.CopiesOut.Fetched;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class JoinedCopiesController {

    private final JoinCopies join;

    JoinedCopiesController(JoinCopies join) {
        this.join = join;
    }

    /** Copies that were given, as one PDF with contents and bookmarks. @param inTab to be printed rather than saved */
    @GetMapping(path = "/api/copies-out/joined", produces = MediaType.APPLICATION_PDF_VALUE)
    void joined(
            Viewer viewer,
            @RequestParam List<UUID> copies,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "false") boolean inTab,
            HttpServletResponse response)
            throws IOException {
        Path made = join.pdf(join.fetched(viewer, copies), title);
        try {
            head(response, MediaType.APPLICATION_PDF_VALUE, title, ".pdf", inTab);
            response.setContentLengthLong(Files.size(made));
            Files.copy(made, response.getOutputStream());
        } finally {
            Files.deleteIfExists(made);
        }
    }

    /** Copies that were given, in one ZIP. */
    @GetMapping(path = "/api/copies-out/zipped", produces = "application/zip")
    void zipped(
            Viewer viewer,
            @RequestParam List<UUID> copies,
            @RequestParam(defaultValue = "") String title,
            HttpServletResponse response)
            throws IOException {
        List<Fetched> all = join.fetched(viewer, copies);
        head(response, "application/zip", title, ".zip", false);
        join.zip(all, response.getOutputStream());
    }

    private static void head(HttpServletResponse response, String type, String title, String ending, boolean inTab) {
        String name = JoinCopies.named(title) + ending;
        response.setContentType(type);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                (inTab ? ContentDisposition.inline() : ContentDisposition.attachment())
                        .filename(name, StandardCharsets.UTF_8)
                        .build()
                        .toString());
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
    }
}
