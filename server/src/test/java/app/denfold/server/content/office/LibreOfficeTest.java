package app.denfold.server.content.office;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assumptions.assumeThat;

import app.denfold.paper.Format;
import app.denfold.paper.worker.Sandbox;
import app.denfold.server.problems.Refusal;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The installed LibreOffice, with papers an outsider might send. */
class LibreOfficeTest {

    private static final Path INSTALLED = Path.of("/usr/bin/soffice");

    @TempDir
    Path folder;

    private static LibreOffice installedAt(Path command) throws IOException {
        return new LibreOffice(command.toString(), Sandbox.in(Files.createTempDirectory("office"), "nobody"));
    }

    private static void odt(Path target, String body) throws IOException {
        try (OutputStream out = Files.newOutputStream(target);
                ZipOutputStream zip = new ZipOutputStream(out)) {
            entry(zip, "mimetype", "application/vnd.oasis.opendocument.text");
            entry(zip, "META-INF/manifest.xml", """
                    <manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0">
                      <manifest:file-entry manifest:full-path="/"
                        manifest:media-type="application/vnd.oasis.opendocument.text"/>
                      <manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/>
                    </manifest:manifest>""");
            entry(zip, "content.xml", """
                    <office:document-content office:version="1.2"
                      xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
                      xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"
                      xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0"
                      xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0"
                      xmlns:xlink="http://www.w3.org/1999/xlink">
                      <office:body><office:text>%s</office:text></office:body>
                    </office:document-content>""".formatted(body));
        }
    }

    private static void entry(ZipOutputStream zip, String name, String words) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(words.getBytes(UTF_8));
        zip.closeEntry();
    }

    private static String image(String address) {
        return """
                <text:p><draw:frame text:anchor-type="as-char" svg:width="3cm" svg:height="3cm">
                  <draw:image xlink:href="%s" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/>
                </draw:frame></text:p>""".formatted(address);
    }

    @Test
    void wordsStandOnPagesAndNothingLinkedIsLoaded() throws Exception {
        assumeThat(INSTALLED).exists();
        Path secret = folder.resolve("secret.png");
        javax.imageio.ImageIO.write(
                new java.awt.image.BufferedImage(40, 40, java.awt.image.BufferedImage.TYPE_INT_RGB),
                "png",
                secret.toFile());
        List<String> asked = new ArrayList<>();
        HttpServer outside = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        outside.createContext("/", exchange -> {
            asked.add(exchange.getRequestURI().getPath());
            exchange.sendResponseHeaders(404, -1);
        });
        outside.start();
        try {
            Path work = Files.createDirectory(folder.resolve("work"));
            Path source = work.resolve("paper.odt");
            odt(
                    source,
                    "<text:p>Hay for Thursday</text:p>"
                            + image("http://127.0.0.1:" + outside.getAddress().getPort() + "/pixel.png")
                            + image(secret.toUri().toString()));
            try (PDDocument made = Loader.loadPDF(
                    installedAt(INSTALLED).layOut(source, Format.ODT).toFile())) {
                assertThat(new PDFTextStripper().getText(made)).contains("Hay for Thursday");
                for (COSName name : made.getPage(0).getResources().getXObjectNames()) {
                    assertThat(made.getPage(0).getResources().isImageXObject(name))
                            .isFalse();
                }
            }
            assertThat(asked).isEmpty();
        } finally {
            outside.stop(0);
        }
    }

    @Test
    void aFileThatIsNoneIsRefused() throws Exception {
        assumeThat(INSTALLED).exists();
        Path source = folder.resolve("paper.docx");
        Files.write(source, new byte[] {'P', 'K', 3, 4, 0, 0, 0, 0});
        assertThatThrownBy(() -> installedAt(INSTALLED).layOut(source, Format.DOCX))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void whatIsMissingIsNamed() throws Exception {
        Path source = Files.writeString(folder.resolve("paper.rtf"), "{\\rtf1 Hay}");
        LibreOffice missing = installedAt(folder.resolve("nothing-here"));
        assertThatThrownBy(() -> missing.layOut(source, Format.RTF)).hasMessageContaining("LibreOffice");
    }
}
