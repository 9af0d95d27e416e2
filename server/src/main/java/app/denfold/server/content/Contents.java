package app.denfold.server.content;

import app.denfold.paper.CopyPages;
import app.denfold.paper.Format;
import app.denfold.paper.Reading;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes bytes in, tells what they are, and shows their pages. */
@Service
public class Contents {

    private static final Set<Integer> WIDTHS = Set.of(160, 900, 1400);

    private final ContentStore store;
    private final ContentRepository contents;
    private final PracticeCalendar calendar;
    private final PaperWorkers workers;
    private final VirusScanner scanner;
    private final Path drawn;

    Contents(
            ContentStore store,
            ContentRepository contents,
            PracticeCalendar calendar,
            PaperWorkers quickWorkers,
            VirusScanner scanner,
            @Value("${denfold.content}") Path root)
            throws IOException {
        this.store = store;
        this.contents = contents;
        this.calendar = calendar;
        this.workers = quickWorkers;
        this.scanner = scanner;
        this.drawn = Files.createDirectories(root.toAbsolutePath().resolve("drawn"));
    }

    /** What came of taking a paper in. */
    public sealed interface Taken {}

    /** Stored and synced; the row naming it is part of the caller's transaction. */
    public record Whole(String sha256, int pages) implements Taken {}

    /** Stored as well, but its pages cannot be shown. */
    public record SetAside(String sha256, String reason) implements Taken {}

    /** Not stored; the bytes stay with whoever brought them. */
    public record Refused(String reason) implements Taken {}

    /**
     * Looks into the file and stores it unless it is refused. The file itself is left where it is.
     *
     * @throws NotNow when it cannot be stored at the moment, or the virus scanner does not answer
     */
    @Transactional
    public Taken take(Path file, String fileName) {
        try {
            Optional<String> virus = scanner.found(file);
            Reading reading =
                    virus.<Reading>map(found -> infected(found, fileName)).orElse(null);
            if (reading == null) {
                reading = identify(file, fileName);
            }
            if (reading instanceof Reading.Refused refused) {
                return new Refused(refused.reason());
            }
            try (InputStream in = Files.newInputStream(file)) {
                return keep(store.put(in), reading, virus.orElse(null));
            }
        } catch (IOException failed) {
            throw NotNow.notStored(fileName, failed);
        }
    }

    /** Nothing of it is parsed. */
    private static Reading infected(String found, String fileName) {
        return new Reading.SetAside(
                Format.claimedBy(fileName).orElse(Format.TEXT),
                "The virus scanner found “" + found
                        + "” in it. It is kept locked away: nobody can open or download it. Ask the sender for a clean "
                        + "copy, then discard it.");
    }

    private Reading identify(Path file, String fileName) throws IOException {
        try {
            return workers.identify(file, fileName);
        } catch (WorkerFailed hostile) {
            return new Reading.SetAside(
                    Format.claimedBy(fileName).orElse(Format.PDF),
                    "No page of it can be shown: " + hostile.getMessage() + ".");
        }
    }

    private Taken keep(ContentStore.Stored stored, Reading reading, String virus) {
        if (reading instanceof Reading.Readable readable) {
            insert(stored, readable.format(), readable.pages(), null);
            return new Whole(stored.sha256(), readable.pages());
        }
        Reading.SetAside aside = (Reading.SetAside) reading;
        insert(stored, aside.format(), 0, virus);
        return new SetAside(stored.sha256(), aside.reason());
    }

    private void insert(ContentStore.Stored stored, Format format, int pages, String virus) {
        contents.insertUnlessThere(stored.sha256(), stored.size(), format.mediaType(), pages, virus, calendar.now());
        if (!Files.exists(store.file(stored.sha256()))) {
            // the same bytes were just being destroyed; now that the row is ours, storing them again will hold
            throw NotNow.notStored("The paper", new IOException("destroyed meanwhile: " + stored.sha256()));
        }
    }

    /** Stores a PDF that the product made itself. */
    @Transactional
    public String keepPdf(byte[] pdf, int pages) {
        return keep(pdf, Format.PDF, pages);
    }

    /** Stores bytes that the product made itself, so that nobody needs to look what they are. */
    @Transactional
    public String keep(byte[] made, Format format, int pages) {
        try {
            ContentStore.Stored stored = store.put(new ByteArrayInputStream(made));
            insert(stored, format, pages, null);
            return stored.sha256();
        } catch (IOException failed) {
            throw NotNow.notStored("The paper", failed);
        }
    }

    /** @throws Refusal when there is no such content */
    public Content content(String sha256) {
        return contents.findById(sha256).orElseThrow(() -> Refusal.notFound("content"));
    }

    public Map<String, Content> contents(Collection<String> hashes) {
        List<Content> found = contents.findBySha256In(hashes);
        return found.stream().collect(Collectors.toMap(Content::sha256, c -> c));
    }

    /** The stored bytes, for reading only. @throws Refusal when they are locked away because of a virus */
    public Path file(String sha256) {
        return file(content(sha256));
    }

    /** The same, of content that is known already. */
    public Path file(Content content) {
        if (content.isDestroyed()) {
            throw Refusal.gone("destroyed", "This paper was destroyed for good.");
        }
        content.virus().ifPresent(found -> {
            throw Refusal.conflict(
                    "infected", "The virus scanner found “" + found + "” in this paper; nobody can open it.");
        });
        return store.file(content.sha256());
    }

    /** The link that is kept under this hash; empty when it is anything else. */
    public Optional<Link> link(String sha256) {
        if (!content(sha256).mediaType().equals(Format.LINK.mediaType())) {
            return Optional.empty();
        }
        try {
            return Optional.of(Link.read(Files.readAllBytes(store.file(sha256))));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** The placeholder that is kept under this hash; empty when it is anything else. */
    public Optional<Placeholder> placeholder(String sha256) {
        return Format.ofMediaType(content(sha256).mediaType())
                .filter(f -> f == Format.AWAITED || f == Format.ON_PAPER)
                .map(f -> {
                    try {
                        return Placeholder.read(f, Files.readAllBytes(store.file(sha256)));
                    } catch (IOException failed) {
                        throw new UncheckedIOException(failed);
                    }
                });
    }

    /**
     * A page as PNG, drawn once and kept beside the store, where it can be deleted at any time.
     *
     * @param page from 1
     * @param width 160, 900 or 1400 pixels
     * @param turn by how many degrees clockwise it is turned: 0, 90, 180 or 270
     * @throws Refusal when there is no such page or width, or it cannot be drawn
     */
    public byte[] page(String sha256, int page, int width, int turn) {
        Content content = content(sha256);
        if (page < 1 || page > content.pages()) {
            throw Refusal.notFound("page");
        }
        if (!WIDTHS.contains(width)) {
            throw Refusal.invalid("width", "Pages are drawn 160, 900 or 1400 pixels wide.");
        }
        Path kept = drawn.resolve(sha256 + "-" + page + "-" + width + (turn == 0 ? "" : "-" + turn) + ".png");
        try {
            return Files.exists(kept) ? Files.readAllBytes(kept) : draw(content, page, width, turn, kept);
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("page-unreadable", "This page cannot be shown: " + hostile.getMessage() + ".");
        } catch (IOException failed) {
            throw new UncheckedIOException("Page " + page + " of " + sha256 + " cannot be drawn", failed);
        }
    }

    private byte[] draw(Content content, int page, int width, int turn, Path to) throws IOException {
        Format format = Format.ofMediaType(content.mediaType()).orElseThrow();
        Path temporary = Files.createTempFile(drawn, "page", ".part");
        try {
            workers.draw(file(content.sha256()), format, page, width, turn, temporary);
            byte[] png = Files.readAllBytes(temporary);
            Files.move(temporary, to, StandardCopyOption.ATOMIC_MOVE);
            return png;
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /**
     * Makes a PDF of chosen pages and stores it; the papers they come from stay as they are.
     *
     * @throws Refusal when that is not possible
     */
    @Transactional
    public String copy(List<ChosenPage> pages) {
        try {
            Path made = copyToFile(pages);
            try {
                return keepMade(made, pages.size());
            } finally {
                Files.deleteIfExists(made);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /**
     * Makes a PDF of chosen pages in a temporary file, which the caller deletes.
     *
     * @throws Refusal when that is not possible
     */
    public Path copyToFile(List<ChosenPage> pages) {
        try {
            Path made = Files.createTempFile(drawn, "copy", ".part");
            try {
                workers.copy(pages.stream().map(this::chosen).toList(), made);
                return made;
            } catch (IOException | RuntimeException failed) {
                Files.deleteIfExists(made);
                throw failed;
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("pages-unreadable", "These pages cannot be copied: " + hostile.getMessage() + ".");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** @param page from 1 @param turn by how many degrees clockwise */
    public record ChosenPage(String sha256, int page, int turn) {}

    private CopyPages.Chosen chosen(ChosenPage page) {
        Format format = Format.ofMediaType(content(page.sha256()).mediaType()).orElseThrow();
        return new CopyPages.Chosen(file(page.sha256()), format, page.page(), page.turn());
    }

    /** Stores a PDF that the product made itself and that lies in a file. */
    @Transactional
    public String keepMade(Path pdf, int pages) throws IOException {
        try (InputStream in = Files.newInputStream(pdf)) {
            ContentStore.Stored stored = store.put(in);
            insert(stored, Format.PDF, pages, null);
            return stored.sha256();
        }
    }

    /**
     * Stores an open copy of a locked PDF. The password is kept nowhere.
     *
     * @return its hash; empty when the password is not the right one
     */
    @Transactional
    public Optional<Whole> unlock(String sha256, String password) {
        try {
            Path open = Files.createTempFile(drawn, "open", ".pdf");
            try {
                if (!workers.unlock(file(sha256), password, open)) {
                    return Optional.empty();
                }
                return take(open, "open.pdf") instanceof Whole whole ? Optional.of(whole) : Optional.empty();
            } finally {
                Files.deleteIfExists(open);
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("unreadable", "The paper cannot be unlocked: " + hostile.getMessage() + ".");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
