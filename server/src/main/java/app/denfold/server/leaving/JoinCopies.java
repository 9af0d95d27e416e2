package app.denfold.server.leaving;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.ZipContents;
import app.denfold.server.content.covering.CoveredCopies;
import app.denfold.server.content.covering.CoveredCopies.BundlePart;
import app.denfold.server.leaving.CopiesOut.Fetched;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Several copies that were given, as one file: a PDF with contents and bookmarks, or a ZIP. Made anew each time. */
@Service
public class JoinCopies {

    static final int LONGEST_TITLE = 120;

    private final CopiesOut copies;
    private final CoveredCopies making;
    private final ZipContents zips;

    JoinCopies(CopiesOut copies, CoveredCopies making, ZipContents zips) {
        this.copies = copies;
        this.making = making;
        this.zips = zips;
    }

    /** @throws Refusal when there are too many, or one was not given */
    List<Fetched> fetched(Viewer viewer, List<UUID> ids) {
        if (ids.isEmpty() || ids.size() > CopiesOut.MOST_PAPERS) {
            throw Refusal.invalid("copies", "Choose from 1 to " + CopiesOut.MOST_PAPERS + " copies.");
        }
        return ids.stream().map(id -> copies.fetch(viewer, id)).toList();
    }

    /** @throws Refusal when a title is too long */
    public static void requireTitle(String title) {
        if (title.length() > LONGEST_TITLE) {
            throw Refusal.invalid("title", "The title has up to " + LONGEST_TITLE + " letters.");
        }
    }

    /** @return a temporary file, which the caller deletes @throws Refusal when one has no pages */
    public Path pdf(List<Fetched> all, String title) {
        requireTitle(title);
        return making.bundle(
                named(title),
                all.stream().map(c -> new BundlePart(c.sha256(), c.name())).toList());
    }

    /** The title of one that may have been left without. */
    public static String named(String title) {
        return title.isBlank() ? "Papers" : title.strip();
    }

    /** In their order, each under its name. */
    void zip(List<Fetched> all, OutputStream to) throws IOException {
        zips.write(all.stream().map(c -> new ZipContents.Named(c.name(), c.sha256())), to);
    }
}
