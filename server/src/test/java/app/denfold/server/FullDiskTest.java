package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;

/** A disk that is full refuses new papers with a clear word and loses none. Needs the right to mount. */
@ServerTest
class FullDiskTest {

    @Autowired
    TestPractice practice;

    @Value("${denfold.content}")
    Path content;

    @Value("${denfold.pickup}")
    Path pickup;

    private static boolean run(String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        return process.waitFor() == 0;
    }

    /** A paper of half a megabyte. */
    private static byte[] large(int seed) throws Exception {
        byte[] noise = new byte[1 << 19];
        new Random(seed).nextBytes(noise);
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage();
            document.addPage(page);
            COSStream ballast = document.getDocument().createCOSStream();
            try (var out = ballast.createRawOutputStream()) {
                out.write(noise);
            }
            page.getCOSObject().setItem(COSName.getPDFName("Ballast"), ballast);
            return Papers.bytes(document);
        }
    }

    private static List<String> named(Api api, String name) throws Exception {
        return api.get("/api/arrivals").at("$[?(@.fileName=='" + name + "')].id");
    }

    @Test
    void newPapersAreRefusedInWordsAndNoneIsLost() throws Exception {
        Api api = practice.administrator();
        byte[] before = large(1);
        Object kept =
                api.upload("/api/arrivals", "before.pdf", before, Map.of()).at("$.id");
        Path incoming = content.resolve("incoming");
        assumeThat(run("mount", "-t", "tmpfs", "-o", "size=128k", "tmpfs", incoming.toString()))
                .as("mounting a small disk")
                .isTrue();
        Path scan;
        try {
            Api.Answer refused = api.upload("/api/arrivals", "refused.pdf", large(2), Map.of());
            assertThat(refused.status()).isEqualTo(507);
            assertThat(refused.<String>at("$.detail")).contains("“refused.pdf” could not be stored", "disk");
            assertThat(named(api, "refused.pdf")).isEmpty();
            try (var left = Files.list(incoming)) {
                assertThat(left).as("half papers").isEmpty();
            }
            scan = Files.write(
                    Files.createDirectories(pickup.resolve("Full desk")).resolve("scan_full.pdf"), large(3));
            TimeUnit.SECONDS.sleep(3);
            assertThat(scan).exists();
            assertThat(pickup.resolve("Full desk/set-aside")).doesNotExist();
            assertThat(api.get("/api/arrivals/{id}/content", kept).bytes()).isEqualTo(before);
        } finally {
            run("umount", incoming.toString());
        }
        await().until(() -> !Files.exists(scan));
        assertThat(named(api, "scan_full.pdf")).hasSize(1);
        assertThat(api.upload("/api/arrivals", "refused.pdf", large(2), Map.of())
                        .status())
                .isEqualTo(201);
    }
}
