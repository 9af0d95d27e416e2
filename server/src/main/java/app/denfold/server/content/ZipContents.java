package app.denfold.server.content;

import app.denfold.core.filing.FileNames;
import app.denfold.server.commits.OutsideTransactions;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.util.HashSet;
import java.util.Iterator;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;

/** Writes stored bytes into a ZIP, each under its name; to whoever fetches it, while it is made. */
@Component
public class ZipContents {

    private final Contents contents;

    ZipContents(Contents contents) {
        this.contents = contents;
    }

    /** @param name without its ending; of several that are alike the later ones are numbered */
    public record Named(String name, String sha256) {}

    /** In their order; each is asked for when it is written. */
    public void write(Stream<Named> all, OutputStream to) throws IOException {
        OutsideTransactions.require("writing a ZIP");
        Set<String> taken = new HashSet<>();
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            for (Iterator<Named> each = all.iterator(); each.hasNext(); ) {
                Named one = each.next();
                String name = FileNames.unique(FileNames.safe(one.name()), taken);
                taken.add(name);
                zip.putNextEntry(new ZipEntry(name + contents.ending(one.sha256())));
                Files.copy(contents.file(one.sha256()), zip);
                zip.closeEntry();
            }
        }
    }
}
