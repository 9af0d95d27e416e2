package app.denfold.server.arrivals.pickup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.TimeUnit;

/**
 * A file that lies in a pickup, told from every other by what the file system knows of it: another file of the same name,
 * or the same one written anew, is another paper.
 *
 * @param path of which the bytes need not be text
 * @param inode number of the file within its file system
 * @param size in bytes
 * @param modified in microseconds since the epoch
 */
record PickupFile(Path path, long inode, long size, long modified) {

    /** @throws java.nio.file.NoSuchFileException when it is gone */
    static PickupFile of(Path path) throws IOException {
        Map<String, Object> found =
                Files.readAttributes(path, "unix:ino,size,lastModifiedTime", LinkOption.NOFOLLOW_LINKS);
        return new PickupFile(
                path,
                Objects.requireNonNull((Long) found.get("ino")),
                Objects.requireNonNull((Long) found.get("size")),
                (Objects.requireNonNull((FileTime) found.get("lastModifiedTime"))).to(TimeUnit.MICROSECONDS));
    }

    /** Whether the path still leads to the very same file, as it was. */
    boolean isStillThere() {
        try {
            return of(path).equals(this);
        } catch (IOException gone) {
            return false;
        }
    }

    /** Whether it is this file, wherever it lies now; it may have been written to. */
    boolean isSameFileAs(PickupFile other) {
        return inode == other.inode;
    }

    /** Its name as text; bytes that are none are shown as a replacement character. */
    String name() {
        return path.getFileName().toString();
    }

    /** Whether its name can be read at all. */
    boolean hasReadableName() {
        return name().indexOf('\uFFFD') < 0;
    }

    /** Whether a scanner or a program is likely to be at work on it under a name for the time being. */
    static boolean isPaper(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)
                && !name.startsWith(".")
                && !name.startsWith("~")
                && !name.endsWith(".part")
                && !name.endsWith(".tmp")
                && !name.endsWith(".lock");
    }

    /** How long nobody has written to it, by the clock of the machine. */
    long secondsUntouched(Instant now) {
        return Math.max(0, now.getEpochSecond() - TimeUnit.MICROSECONDS.toSeconds(modified));
    }
}
