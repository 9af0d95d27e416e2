package app.denfold.server.portal.seeing;

import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.GivenOut;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;

/** All that somebody outside is shown, in one ZIP. */
@Service
public class ZipShown {

    private final Contents contents;
    private final GivenOut given;

    ZipShown(Contents contents, GivenOut given) {
        this.contents = contents;
        this.given = given;
    }

    /** @param name without its ending, under which it stands there unless another has it already */
    public record Entry(UUID id, String name) {}

    /** Writes them as they are given out. */
    public void write(List<Entry> entries, OutputStream to) throws IOException {
        OutsideTransactions.require("writing a ZIP");
        Set<String> taken = new HashSet<>();
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            for (Entry entry : entries) {
                String sha256 = given.closedNewest(entry.id);
                zip.putNextEntry(new ZipEntry(free(entry.name + contents.ending(sha256), taken)));
                Files.copy(contents.file(sha256), zip);
                zip.closeEntry();
            }
        }
    }

    private static String free(String name, Set<String> taken) {
        String safe = name.replaceAll("[/\\\\:*?\"<>|\\p{Cntrl}]", "-");
        int dot = safe.lastIndexOf('.');
        String stem = dot < 0 ? safe : safe.substring(0, dot);
        String ending = dot < 0 ? "" : safe.substring(dot);
        String free = safe;
        for (int i = 2; !taken.add(free); i++) {
            free = stem + " (" + i + ")" + ending;
        }
        return free;
    }
}
