package app.denfold.server.arrivals.pickup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The folder of one desk: what a scanner saved there, {@code taken} for the originals of papers that are safe, and
 * {@code set-aside} for what is not taken, each with a note. Files are moved by what they are, not by their names: a file
 * that came under the same name meanwhile stays.
 */
final class DeskFolder {

    static final String TAKEN = "taken";
    static final String SET_ASIDE = "set-aside";
    private static final String NOTE = ".note.txt";

    /** File systems allow 255 bytes; a number before the name and the ending of its note must fit as well. */
    private static final int LONGEST_NAME = 200;

    private final Path path;

    DeskFolder(Path path) {
        this.path = path;
    }

    String name() {
        return path.getFileName().toString();
    }

    /** What may be papers, by their names. */
    List<PickupFile> papers() throws IOException {
        List<PickupFile> papers = new ArrayList<>();
        try (DirectoryStream<Path> files = Files.newDirectoryStream(path)) {
            for (Path file : files) {
                if (PickupFile.isPaper(file)) {
                    add(papers, file);
                }
            }
        }
        papers.sort(Comparator.comparing(PickupFile::name));
        return papers;
    }

    private static void add(List<PickupFile> papers, Path file) {
        try {
            papers.add(PickupFile.of(file));
        } catch (IOException gone) {
            // since the folder was listed
        }
    }

    /** @return its name in {@code taken}; empty when another file lies under its name now, which stays there */
    Optional<String> moveToTaken(PickupFile file) throws IOException {
        return move(file, TAKEN).map(p -> p.getFileName().toString());
    }

    /** Moves a file aside with a note that says why. @return false when another file lies under its name now */
    boolean setAside(PickupFile file, @Nullable String reason) throws IOException {
        Optional<Path> place = move(file, SET_ASIDE);
        if (place.isPresent()) {
            Files.writeString(
                    place.get().resolveSibling(place.get().getFileName() + NOTE), reason + System.lineSeparator());
        }
        return place.isPresent();
    }

    private Optional<Path> move(PickupFile file, String folder) throws IOException {
        Path place = free(Files.createDirectories(path.resolve(folder)), shortName(file));
        try {
            Files.move(file.path(), place, StandardCopyOption.ATOMIC_MOVE);
        } catch (AtomicMoveNotSupportedException elsewhere) {
            Files.move(file.path(), place);
        }
        PickupFile moved = PickupFile.of(place);
        if (moved.isSameFileAs(file)) {
            return Optional.of(place);
        }
        putBack(moved, file.path());
        return Optional.empty();
    }

    /** Under its own name if that is still free, else beside it; nothing is written over. */
    private static void putBack(PickupFile moved, Path to) throws IOException {
        try {
            Files.createLink(to, moved.path());
            Files.delete(moved.path());
        } catch (FileAlreadyExistsException another) {
            Files.move(
                    moved.path(), free(Objects.requireNonNull(to.getParent()), shortName(new PickupFile(to, 0, 0, 0))));
        }
    }

    /** Puts a file that went on growing after it was taken back to where it is found as a paper of its own. */
    void putBackFromTaken(String name) throws IOException {
        Path grown = path.resolve(TAKEN).resolve(name);
        Files.move(grown, free(path, name));
    }

    Optional<PickupFile> taken(String name) {
        try {
            return Optional.of(PickupFile.of(path.resolve(TAKEN).resolve(name)));
        } catch (IOException gone) {
            return Optional.empty();
        }
    }

    void deleteTaken(PickupFile file) throws IOException {
        Files.deleteIfExists(file.path());
    }

    private static Path free(Path folder, String name) {
        Path place = folder.resolve(name);
        for (int n = 2; Files.exists(place, LinkOption.NOFOLLOW_LINKS); n++) {
            place = folder.resolve(n + " " + name);
        }
        return place;
    }

    /** The name as text, with its ending, short enough for a number before and a note beside it. */
    private static String shortName(PickupFile file) {
        String name = file.name().replace('\uFFFD', '_');
        if (bytes(name) <= LONGEST_NAME) {
            return name;
        }
        int dot = name.lastIndexOf('.');
        String ending = dot > 0 && name.length() - dot <= 10 ? name.substring(dot) : "";
        String stem = name.substring(0, name.length() - ending.length());
        while (bytes(stem + ending) > LONGEST_NAME) {
            stem = stem.substring(0, stem.offsetByCodePoints(stem.length(), -1));
        }
        return stem + ending;
    }

    private static int bytes(String name) {
        return name.getBytes(StandardCharsets.UTF_8).length;
    }
}
