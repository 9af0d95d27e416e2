package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Office files as pages, with a stand-in for what lays them out. */
@ServerTest
class OfficePagesTest {

    private static final Path FOLDER = folder();

    @Autowired
    TestPractice practice;

    private static Path folder() {
        try {
            return Files.createTempDirectory("office-test");
        } catch (java.io.IOException failed) {
            throw new java.io.UncheckedIOException(failed);
        }
    }

    /** Writes a page for each file, and none for one that says it is broken. */
    @DynamicPropertySource
    static void standIn(DynamicPropertyRegistry registry) throws Exception {
        Files.write(FOLDER.resolve("page.pdf"), Papers.pdf("Laid out"));
        Path command = FOLDER.resolve("lays-out");
        Files.writeString(command, """
                #!/bin/sh
                while [ $# -gt 1 ]; do [ "$1" = --outdir ] && out=$2; shift; done
                echo once >> '%s/calls'
                env > '%s/environment'
                cp "$out/profile/user/registrymodifications.xcu" '%s/settings'
                grep -q broken "$1" || cp '%s/page.pdf' "$out/paper.pdf"
                """.formatted(FOLDER, FOLDER, FOLDER, FOLDER));
        Files.setPosixFilePermissions(command, PosixFilePermissions.fromString("rwx------"));
        registry.add("denfold.office.command", command::toString);
    }

    private UUID rtf(Api api, UUID file, String words) throws Exception {
        byte[] bytes = ("{\\rtf1\\ansi " + words + "}").getBytes(StandardCharsets.US_ASCII);
        UUID arrival = api.upload("/api/arrivals", "note.rtf", bytes, Map.of()).id("$.id");
        return api.file(arrival, file, "note", LocalDate.now().minusDays(1)).id("$.documentId");
    }

    @Test
    void itIsLaidOutOnceAndReadAsPages() throws Exception {
        Api api = practice.administrator();
        UUID paper = rtf(api, api.newEmployee("Office", null), "A note about hay");
        String address = "/api/documents/{id}/versions/1/laid-out";
        assertThat(api.post(address, null, paper).<Integer>at("$.pages")).isEqualTo(1);
        int calls = Files.readAllLines(FOLDER.resolve("calls")).size();
        assertThat(api.post(address, null, paper).status()).isEqualTo(200);
        assertThat(api.get(address + "/reading", paper).bytes()).startsWith('%', 'P', 'D', 'F');
        assertThat(Files.readAllLines(FOLDER.resolve("calls"))).hasSize(calls);
    }

    @Test
    void whatCannotBeLaidOutSaysSoAndItsWordsStayReadable() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Officebroken", null);
        UUID broken = rtf(api, file, "broken beyond repair");
        String address = "/api/documents/{id}/versions/1/laid-out";
        assertThat(api.post(address, null, broken).<String>at("$.code")).isEqualTo("not-laid-out");
        assertThat(api.get("/api/documents/{id}/versions/1/text", broken).status())
                .isEqualTo(200);
        UUID pdf = api.fileNewPaper(file, "letter", LocalDate.now());
        assertThat(api.post(address, null, pdf).<String>at("$.code")).isEqualTo("no-office-file");
    }

    @Test
    void whatLaysOutIsTrustedWithNothing() throws Exception {
        Api api = practice.administrator();
        UUID paper = rtf(api, api.newEmployee("Officetrust", null), "A note about straw");
        assertThat(api.post("/api/documents/{id}/versions/1/laid-out", null, paper)
                        .status())
                .isEqualTo(200);
        assertThat(Files.readString(FOLDER.resolve("environment"))).doesNotContain("PASSWORD", "DENFOLD");
        assertThat(Files.readString(FOLDER.resolve("settings")))
                .contains("BlockUntrustedRefererLinks", "DisableMacrosExecution");
    }

    @Test
    void thePagesAreThereBeforeAnybodyOpensItAndArePrinted() throws Exception {
        Api api = practice.administrator();
        UUID paper = rtf(api, api.newEmployee("Officeahead", null), "A note about the new arena");
        await().ignoreExceptions().untilAsserted(() -> assertThat(
                        api.get("/api/documents/{id}", paper).<Integer>at("$.versions[0].laidOut.pages"))
                .isEqualTo(1));
        try (PDDocument printed =
                Loader.loadPDF(api.get("/api/print?documents={id}", paper).bytes())) {
            assertThat(new PDFTextStripper().getText(printed)).contains("Laid out");
        }
    }
}
