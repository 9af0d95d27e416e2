package app.denfold.server.content.office;

import app.denfold.paper.Format;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.stereotype.Component;

/** The words of office files with their structure and pictures, as HTML. */
@Component
public class OfficeHtml {

    private static final int LARGEST = 60 << 20;

    private final LibreOffice libreOffice;

    OfficeHtml(LibreOffice libreOffice) {
        this.libreOffice = libreOffice;
    }

    /** @throws Refusal when LibreOffice is missing, or the file cannot be read */
    public String of(Path file, Format format) {
        OutsideTransactions.require("reading an office file");
        try {
            Path html = libreOffice.converted(file, format, "html", ":HTML (StarWriter):EmbedImages");
            try {
                if (Files.size(html) > LARGEST) {
                    throw Refusal.invalid("file", "It is too long. Take the pages that matter.");
                }
                return Files.readString(html, StandardCharsets.UTF_8);
            } finally {
                Files.deleteIfExists(html);
            }
        } catch (IOException failed) {
            throw NotNow.notStored("The file", failed);
        }
    }
}
