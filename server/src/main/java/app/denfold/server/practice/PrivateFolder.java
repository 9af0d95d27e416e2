package app.denfold.server.practice;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;

/** Folders that nobody but this program's user can look into. */
public final class PrivateFolder {

    private static final Set<PosixFilePermission> OWN = PosixFilePermissions.fromString("rwx------");

    private PrivateFolder() {}

    /** Makes the folder within another if it is not there, and closes it to others. */
    public static Path in(Path parent, String name) throws IOException {
        return closed(parent.resolve(name));
    }

    /** The same for a folder by its path. */
    public static Path closed(Path folder) throws IOException {
        Files.createDirectories(folder.toAbsolutePath().getParent());
        if (!Files.isDirectory(folder)) {
            Files.createDirectories(folder, PosixFilePermissions.asFileAttribute(OWN));
        }
        Files.setPosixFilePermissions(folder, OWN);
        return folder;
    }
}
