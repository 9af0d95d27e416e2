package app.denfold.server.arrivals.pickup;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Which files programs on this machine hold open for writing, as Linux tells it under {@code /proc}. Programs of other
 * users are seen only by root, and writers on other machines by nobody.
 */
final class OpenForWriting {

    private static final Path PROCESSES = Path.of("/proc");
    private static final int ACCESS = 3;

    private OpenForWriting() {}

    /** Those of these files, by their inodes. */
    static Set<Long> among(List<PickupFile> files) {
        Set<String> names = new HashSet<>();
        files.forEach(f -> names.add(f.path().toString()));
        Set<Long> open = new HashSet<>();
        try (DirectoryStream<Path> processes = Files.newDirectoryStream(PROCESSES, "[0-9]*")) {
            for (Path process : processes) {
                inspect(process, files, names, open);
            }
        } catch (IOException unknown) {
            // this system does not tell; the pause and the end of the format decide alone
        }
        return open;
    }

    private static void inspect(Path process, List<PickupFile> files, Set<String> names, Set<Long> open) {
        try (DirectoryStream<Path> handles = Files.newDirectoryStream(process.resolve("fd"))) {
            for (Path handle : handles) {
                if (names.contains(target(handle)) && isForWriting(process, handle)) {
                    String held = target(handle);
                    files.stream().filter(f -> f.path().toString().equals(held)).forEach(f -> open.add(f.inode()));
                }
            }
        } catch (IOException ended) {
            // it has ended, or is another user's
        }
    }

    private static String target(Path handle) {
        try {
            return Files.readSymbolicLink(handle).toString();
        } catch (IOException closed) {
            return "";
        }
    }

    private static boolean isForWriting(Path process, Path handle) throws IOException {
        for (String line : Files.readAllLines(process.resolve("fdinfo").resolve(handle.getFileName()))) {
            if (line.startsWith("flags:")) {
                // the last two bits are 0 for reading, 1 for writing, 2 for both
                return (Integer.parseInt(line.substring(6).strip(), 8) & ACCESS) != 0;
            }
        }
        return false;
    }
}
