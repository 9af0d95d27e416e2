package app.denfold.server.content;

import app.denfold.paper.Format;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.links.Link;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PrivateFolder;
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
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes bytes in, tells what they are, and shows their pages. What is slow happens outside of transactions: bytes are
 * {@link #prepare prepared} first, and {@link #register registered} in the transaction of whatever refers to them.
 */
@Service
public class Contents {

    private static final Set<Integer> WIDTHS = Set.of(160, 900, 1400);

    private final ContentStore store;
    private final ContentRepository contents;
    private final CheckBytes check;
    private final DamagedContent damaged;
    private final PracticeCalendar calendar;
    private final PaperWorkers workers;
    private final VirusScanner scanner;
    private final TransactionTemplate transactions;
    private final Path drawn;

    Contents(
            ContentStore store,
            ContentRepository contents,
            CheckBytes check,
            DamagedContent damaged,
            PracticeCalendar calendar,
            PaperWorkers quickWorkers,
            VirusScanner scanner,
            TransactionTemplate transactions,
            @Value("${denfold.content}") Path root)
            throws IOException {
        this.store = store;
        this.contents = contents;
        this.check = check;
        this.damaged = damaged;
        this.calendar = calendar;
        this.workers = quickWorkers;
        this.scanner = scanner;
        this.transactions = transactions;
        this.drawn = PrivateFolder.in(root.toAbsolutePath(), "drawn");
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
     * Bytes that were looked into, and are stored unless they are refused, but that no row names yet. Those that never are
     * registered are removed after a day.
     */
    public static final class Prepared {
        private final ContentStore.Stored stored;
        private final Reading reading;
        private final @Nullable String virus;

        private Prepared(ContentStore.Stored stored, Reading reading, @Nullable String virus) {
            this.stored = stored;
            this.reading = reading;
            this.virus = virus;
        }

        public String sha256() {
            return stored.sha256();
        }

        /** In bytes. */
        public long size() {
            return stored.size();
        }

        /** Why the bytes are not taken, in words; empty when they are. */
        public Optional<String> refused() {
            return reading instanceof Reading.Refused refused ? Optional.of(refused.reason()) : Optional.empty();
        }
    }

    /**
     * Looks into the file and stores it unless it is refused. The file itself is left where it is; what is looked into is
     * what is stored.
     *
     * @throws NotNow when it cannot be stored at the moment, or the virus scanner or the program that reads papers does
     *     not answer
     */
    public Prepared prepare(@Nullable Path file, String fileName) {
        OutsideTransactions.require("looking into a paper");
        try (InputStream in = Files.newInputStream(file)) {
            ContentStore.Staged staged = store.stage(in);
            try {
                return prepare(staged, fileName);
            } finally {
                store.drop(staged);
            }
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "“" + fileName + "” could not be looked into just now: " + ended.getMessage()
                            + ". Nothing was taken in; try again in a moment.",
                    ended);
        } catch (IOException failed) {
            throw NotNow.notStored(fileName, failed);
        }
    }

    private Prepared prepare(ContentStore.Staged staged, String fileName) throws IOException {
        Optional<String> virus = scanner.found(staged.file());
        Reading reading = virus.isPresent() ? infected(virus.get(), fileName) : identify(staged.file(), fileName);
        ContentStore.Stored stored = reading instanceof Reading.Refused ? staged.stored() : store.keep(staged);
        return new Prepared(stored, reading, virus.orElse(null));
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

    /** Looks again into stored bytes that could not be shown. */
    public Prepared prepareAgain(String sha256, String fileName) {
        return prepare(file(sha256), fileName);
    }

    /** Bytes that the product made itself, so that nobody needs to look what they are. */
    public Prepared made(byte[] made, Format format, int pages) {
        return made(new ByteArrayInputStream(made), format, pages);
    }

    /** The same, of a PDF that lies in a file. */
    public Prepared made(Path pdf, int pages) {
        try (InputStream in = Files.newInputStream(pdf)) {
            return made(in, Format.PDF, pages);
        } catch (IOException failed) {
            throw NotNow.notStored("The paper", failed);
        }
    }

    private Prepared made(InputStream in, Format format, int pages) {
        try {
            return new Prepared(store.put(in), new Reading.Readable(format, pages), null);
        } catch (IOException failed) {
            throw NotNow.notStored("The paper", failed);
        }
    }

    /** Names prepared bytes; that they are stored is part of the transaction from now on. */
    @Transactional
    public Taken register(Prepared prepared) {
        if (prepared.reading instanceof Reading.Refused refused) {
            return new Refused(refused.reason());
        }
        if (prepared.reading instanceof Reading.Readable readable) {
            insert(prepared.stored, readable.format(), readable.pages(), prepared.virus);
            return new Whole(prepared.sha256(), readable.pages());
        }
        Reading.SetAside aside = (Reading.SetAside) prepared.reading;
        insert(prepared.stored, aside.format(), 0, prepared.virus);
        return new SetAside(prepared.sha256(), aside.reason());
    }

    private void insert(ContentStore.Stored stored, Format format, int pages, @Nullable String virus) {
        contents.insertOrImprove(stored.sha256(), stored.size(), format.mediaType(), pages, virus, calendar.now());
        damaged.mended(stored.sha256());
        if (!Files.exists(store.file(stored.sha256()))) {
            // the same bytes were just being destroyed; now that the row is ours, storing them again will hold
            throw NotNow.notStored("The paper", new IOException("destroyed meanwhile: " + stored.sha256()));
        }
    }

    /** Stores and names a PDF that the product made itself. @return its hash */
    public String keepPdf(byte[] pdf, int pages) {
        return keep(pdf, Format.PDF, pages);
    }

    /** Stores and names bytes that the product made itself. @return their hash */
    public String keep(byte[] bytes, Format format, int pages) {
        return keep(made(bytes, format, pages));
    }

    /** The same, of a PDF that lies in a file. */
    public String keepMade(Path pdf, int pages) {
        return keep(made(pdf, pages));
    }

    private String keep(Prepared prepared) {
        transactions.executeWithoutResult(t -> register(prepared));
        return prepared.sha256();
    }

    /** @throws Refusal when there is no such content */
    public Content content(String sha256) {
        return contents.findById(sha256).orElseThrow(() -> Refusal.notFound("content"));
    }

    /** Its usual ending with the dot; empty when its format has none. */
    @Transactional(readOnly = true)
    public String ending(String sha256) {
        return Format.ofMediaType(content(sha256).mediaType())
                .map(f -> "." + f.ending())
                .orElse("");
    }

    public Map<String, Content> contents(Collection<String> hashes) {
        List<Content> found = contents.findBySha256In(hashes);
        return found.stream().collect(Collectors.toMap(Content::sha256, c -> c));
    }

    /**
     * The stored bytes, for reading only.
     *
     * @throws Refusal when they are locked away because of a virus, or destroyed
     * @throws NotNow when they are damaged
     */
    public Path file(String sha256) {
        return file(content(sha256));
    }

    /** The same, of content that is known already. */
    public Path file(Content content) {
        requireOpen(content);
        return check.whole(content);
    }

    /** The same, read through now, for giving out the whole of it. */
    public Path wholeFile(Content content) {
        requireOpen(content);
        return check.wholeNow(content);
    }

    private static void requireOpen(Content content) {
        if (content.isDestroyed()) {
            throw Refusal.gone("destroyed", "This paper was destroyed for good.");
        }
        content.virus().ifPresent(found -> {
            throw Refusal.conflict(
                    "infected", "The virus scanner found “" + found + "” in this paper; nobody can open it.");
        });
    }

    /** What is wrong with stored bytes, in words, by their hash; what is whole is left out. */
    public Map<String, String> damage(Collection<String> hashes) {
        return damaged.of(hashes);
    }

    /** The link that is kept under this hash; empty when it is anything else. */
    public Optional<Link> link(String sha256) {
        if (!content(sha256).mediaType().equals(Format.LINK.mediaType())) {
            return Optional.empty();
        }
        try {
            return Optional.of(Link.read(Files.readAllBytes(file(sha256))));
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
                        return Placeholder.read(f, Files.readAllBytes(file(sha256)));
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
        OutsideTransactions.require("drawing a page");
        Path kept = drawn.resolve(sha256 + "-" + page + "-" + width + (turn == 0 ? "" : "-" + turn) + ".png");
        try {
            requireOpen(content);
            return Files.exists(kept) ? Files.readAllBytes(kept) : draw(content, page, width, turn, kept);
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("page-unreadable", "This page cannot be shown: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw lost(ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The picture of page " + page, failed);
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

    private static NotNow lost(WorkerLost ended) {
        return NotNow.noAnswer(
                "This could not be done just now: " + ended.getMessage() + ". Try again in a moment.", ended);
    }

    /**
     * Stores an open copy of a locked PDF. The password is kept nowhere.
     *
     * @return the copy; empty when the password is not the right one
     */
    public Optional<Prepared> unlock(String sha256, String password) {
        OutsideTransactions.require("unlocking a paper");
        try {
            Path open = Files.createTempFile(drawn, "open", ".pdf");
            try {
                return workers.unlock(file(sha256), password, open)
                        ? Optional.of(prepare(open, "open.pdf"))
                        : Optional.empty();
            } finally {
                Files.deleteIfExists(open);
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("unreadable", "The paper cannot be unlocked: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw lost(ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The open copy", failed);
        }
    }
}
