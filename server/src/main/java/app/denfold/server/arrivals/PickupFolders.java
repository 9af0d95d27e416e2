package app.denfold.server.arrivals;

import app.denfold.server.access.Actor;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Watches the folders that scanners save into: every folder within the pickup folder belongs to one desk. A paper is
 * taken once its size and time have stood still, and leaves the folder only after it is stored and its row committed.
 * What is not taken moves to {@code set-aside} beside it, with a note.
 */
@Component
class PickupFolders {

    private static final Logger LOG = LoggerFactory.getLogger(PickupFolders.class);
    private static final Duration STILL = Duration.ofMillis(1_500);
    private static final String SET_ASIDE = "set-aside";

    private final Path root;
    private final Arrivals arrivals;
    private final PickupDesks desks;
    private final FilesAtDesks atDesks;
    private final Set<Path> announced = new HashSet<>();
    private final Map<Path, Sighting> seen = new HashMap<>();

    PickupFolders(@Value("${denfold.pickup}") Path root, Arrivals arrivals, PickupDesks desks, FilesAtDesks atDesks)
            throws IOException {
        this.root = root.toAbsolutePath();
        this.arrivals = arrivals;
        this.desks = desks;
        this.atDesks = atDesks;
        Files.createDirectories(this.root.resolve("Office desk"));
    }

    private record Sighting(long size, long modified, Instant since) {
        boolean isOf(Path file) throws IOException {
            return Files.size(file) == size && Files.getLastModifiedTime(file).toMillis() == modified;
        }
    }

    @Scheduled(fixedDelayString = "${denfold.pickup-interval:1000}")
    void look() {
        try (Stream<Path> found = Files.list(root)) {
            found.filter(Files::isDirectory).forEach(this::lookInto);
        } catch (IOException unreadable) {
            LOG.warn("The pickup folder {} cannot be read: {}", root, unreadable.getMessage());
        }
    }

    private void lookInto(Path desk) {
        if (announced.add(desk)) {
            desks.known(desk.getFileName().toString());
        }
        try (Stream<Path> files = Files.list(desk)) {
            List<Path> papers = files.filter(PickupFolders::isPaper).sorted().toList();
            seen.keySet().removeIf(known -> known.startsWith(desk) && !papers.contains(known));
            for (Path paper : papers) {
                takeWhenStill(desk, paper);
            }
        } catch (IOException unreadable) {
            LOG.warn("The pickup {} cannot be read: {}", desk, unreadable.getMessage());
        }
    }

    private static boolean isPaper(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return Files.isRegularFile(file)
                && !name.startsWith(".")
                && !name.startsWith("~")
                && !name.endsWith(".part")
                && !name.endsWith(".tmp")
                && !name.endsWith(".lock");
    }

    private void takeWhenStill(Path desk, Path paper) throws IOException {
        Sighting before = seen.get(paper);
        Instant now = Instant.now();
        if (before == null || !before.isOf(paper)) {
            seen.put(
                    paper,
                    new Sighting(
                            Files.size(paper), Files.getLastModifiedTime(paper).toMillis(), now));
        } else if (Duration.between(before.since, now).compareTo(STILL) >= 0) {
            seen.remove(paper);
            take(desk, paper);
        }
    }

    private void take(Path desk, Path paper) throws IOException {
        String deskName = desk.getFileName().toString();
        String name = paper.getFileName().toString();
        try {
            if (!arrivals.isTakenFrom(deskName, name, sha256(paper))) {
                PickupDesk known = desks.known(deskName);
                arrivals.receive(new ReceivedPaper(
                        paper,
                        name,
                        ReceivedPaper.Way.PICKUP,
                        Actor.system(deskName),
                        atDesks.openAt(deskName).orElse(null),
                        known.type(),
                        known.description()));
            }
            Files.deleteIfExists(paper);
        } catch (Refusal refused) {
            setAside(desk, paper, refused.getMessage());
        } catch (RuntimeException failed) {
            LOG.error("“{}” stays in the pickup {} and is tried again", name, deskName, failed);
        }
    }

    private static void setAside(Path desk, Path paper, String reason) throws IOException {
        Path folder = Files.createDirectories(desk.resolve(SET_ASIDE));
        Path place = folder.resolve(paper.getFileName());
        for (int n = 2; Files.exists(place); n++) {
            place = folder.resolve(n + " " + paper.getFileName());
        }
        Files.writeString(folder.resolve(place.getFileName() + ".note.txt"), reason + System.lineSeparator());
        Files.move(paper, place, StandardCopyOption.ATOMIC_MOVE);
    }

    private static String sha256(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file);
                DigestInputStream digest = new DigestInputStream(in, MessageDigest.getInstance("SHA-256"))) {
            digest.transferTo(java.io.OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(digest.getMessageDigest().digest());
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
