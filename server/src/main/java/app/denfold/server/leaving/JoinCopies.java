package app.denfold.server.leaving;

import app.denfold.core.filing.FileNames;
import app.denfold.server.access.Viewer;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.content.covering.CoveredCopies;
import app.denfold.server.content.covering.CoveredCopies.BundlePart;
import app.denfold.server.leaving.CopiesOut.Fetched;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;

/** Several copies that were given, as one file: a PDF with contents and bookmarks, or a ZIP. Made anew each time. */
@Service
class JoinCopies {

    static final int LONGEST_TITLE = 120;

    private final CopiesOut copies;
    private final CoveredCopies making;
    private final Contents contents;

    JoinCopies(CopiesOut copies, CoveredCopies making, Contents contents) {
        this.copies = copies;
        this.making = making;
        this.contents = contents;
    }

    private List<Fetched> fetched(Viewer viewer, List<UUID> ids) {
        if (ids.isEmpty() || ids.size() > CopiesOut.MOST_PAPERS) {
            throw Refusal.invalid("copies", "Choose from 1 to " + CopiesOut.MOST_PAPERS + " copies.");
        }
        return ids.stream().map(id -> copies.fetch(viewer, id)).toList();
    }

    /** @return a temporary file, which the caller deletes @throws Refusal when one was not given, or has no pages */
    Path pdf(Viewer viewer, List<UUID> ids, String title) {
        String named = title.isBlank() ? "Papers" : title.strip();
        if (named.length() > LONGEST_TITLE) {
            throw Refusal.invalid("title", "The title has up to " + LONGEST_TITLE + " letters.");
        }
        return making.bundle(
                named,
                fetched(viewer, ids).stream()
                        .map(c -> new BundlePart(c.sha256(), c.name()))
                        .toList());
    }

    /** In their order, each under its name. */
    void zip(Viewer viewer, List<UUID> ids, OutputStream to) throws IOException {
        OutsideTransactions.require("writing a ZIP");
        List<Fetched> all = fetched(viewer, ids);
        Set<String> taken = new HashSet<>();
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            for (Fetched copy : all) {
                String name = FileNames.unique(FileNames.safe(copy.name()), taken);
                taken.add(name);
                zip.putNextEntry(new ZipEntry(name + contents.ending(copy.sha256())));
                Files.copy(contents.file(copy.sha256()), zip);
                zip.closeEntry();
            }
        }
    }
}
