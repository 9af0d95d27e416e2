package app.denfold.server.arrivals.covers;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cover-sheets")
class CoverSheetsController {

    private final CoverSheets sheets;

    CoverSheetsController(CoverSheets sheets) {
        this.sheets = sheets;
    }

    @GetMapping(produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sheets(
            Viewer viewer,
            @RequestParam(required = false) UUID fileId,
            @RequestParam(defaultValue = "") List<String> type) {
        return pdf(sheets.sheets(viewer, fileId, type), "Cover sheets.pdf");
    }

    @GetMapping(path = "/separator", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> separator(Viewer viewer) {
        viewer.requireChange();
        return pdf(sheets.separator(), "Separator sheet.pdf");
    }

    private static ResponseEntity<byte[]> pdf(byte[] bytes, String name) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + "\"")
                .body(bytes);
    }
}
