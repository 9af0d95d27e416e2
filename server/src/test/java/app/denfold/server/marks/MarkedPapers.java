package app.denfold.server.marks;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/** What tests of marks, and of copies that leave, do with papers. */
public final class MarkedPapers {

    private MarkedPapers() {}

    /** A paper whose words are read. */
    public static UUID read(Api api, UUID file, String... pages) throws Exception {
        UUID arrival = api.upload("/api/arrivals", "paper.pdf", Papers.pages(List.of(pages)), Map.of())
                .id("$.id");
        UUID paper =
                api.file(arrival, file, "letter", LocalDate.now().minusDays(3)).id("$.documentId");
        await().until(() ->
                api.get("/api/documents/{id}/versions/1/text", paper).at("$.isRead"));
        return paper;
    }

    public static Map<String, Object> area(int left, int top, int width, int height) {
        return Map.of("left", left, "top", top, "width", width, "height", height);
    }

    public static Map<String, Object> mark(int page, String kind, String text) {
        return mark(page, Map.of("kind", kind, "areas", List.of(area(1_000, 1_000, 3_000, 400)), "text", text));
    }

    public static Map<String, Object> mark(int page, Map<String, Object> shape) {
        return Map.of("page", page, "shape", shape);
    }

    public static Api.Answer put(Api api, UUID paper, List<Map<String, Object>> marks) throws Exception {
        return api.post("/api/documents/{id}/versions/1/marks", Map.of("marks", marks), paper);
    }

    /** Covers all places of words on papers. */
    public static void cover(Api api, UUID paper, String... phrases) throws Exception {
        Api.Answer found = api.post(
                "/api/covers/look",
                Map.of("documents", List.of(paper), "phrases", List.of(phrases), "what", List.of()));
        List<Map<String, Object>> places = found.<List<Map<String, Object>>>at("$[0].places").stream()
                .map(p -> Map.of("page", p.get("page"), "areas", p.get("areas")))
                .toList();
        Api.Answer covered = api.post(
                "/api/covers",
                Map.of(
                        "papers",
                        List.of(Map.of("documentId", paper, "version", found.at("$[0].version"), "places", places)),
                        "reason",
                        "third person"));
        assertThat(covered.status()).as(covered.body()).isLessThan(300);
    }

    /** A copy to be looked at, for somebody of no kind. */
    public static Api.Answer draft(Api api, UUID paper, String reader, boolean marks, boolean open, boolean foot)
            throws Exception {
        return api.post(
                "/api/copies-out",
                Map.of(
                        "documents",
                        List.of(paper),
                        "reader",
                        Map.of("kind", "OTHER", "name", reader),
                        "marks",
                        marks,
                        "open",
                        open,
                        "foot",
                        foot));
    }

    public static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }
}
