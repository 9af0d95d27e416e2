package app.denfold.server.practice;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.Set;

/** Folders that nobody but this program's user can look into. */
public final class PrivateFolder {

    private static final Set<PosixFilePermission> OWN = PosixFilePermissions.fromString("rwx------");

    private static final int KEY_BYTES = 32;

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

    /**
     * A key of 256 random bits in a file of such a folder, made when it is not there yet.
     *
     * @return in hexadecimal
     */
    public static String key(Path folder, String name) throws IOException {
        Path file = closed(folder.toAbsolutePath()).resolve(name);
        if (!Files.exists(file)) {
            byte[] fresh = new byte[KEY_BYTES];
            new SecureRandom().nextBytes(fresh);
            Path whole = Files.createTempFile(
                    file.getParent(),
                    name,
                    ".new",
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(whole, HexFormat.of().formatHex(fresh));
            try {
                // never over one that another start has just made
                Files.createLink(file, whole);
            } catch (FileAlreadyExistsException made) {
                // that one holds
            } finally {
                Files.delete(whole);
            }
        }
        return Files.readString(file).strip();
    }
}
