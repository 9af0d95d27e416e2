package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PrintController {

    private final PrintPapers print;

    PrintController(PrintPapers print) {
        this.print = print;
    }

    /** Papers as one PDF, opened by the browser, which prints it. */
    @GetMapping(path = "/api/print", produces = MediaType.APPLICATION_PDF_VALUE)
    void print(Viewer viewer, @RequestParam List<UUID> documents, HttpServletResponse response) throws IOException {
        Path made = print.print(viewer, documents);
        try {
            response.setContentType(MediaType.APPLICATION_PDF_VALUE);
            response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"papers.pdf\"");
            response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
            response.setContentLengthLong(Files.size(made));
            Files.copy(made, response.getOutputStream());
        } finally {
            Files.deleteIfExists(made);
        }
    }
}
