package app.denfold.paper.worker;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The folder of one confined process: what it is given to read, and what it leaves. */
public final class WorkFolder implements AutoCloseable {

    private final Path path;
    private final Optional<UserPrincipal> user;
    private final List<Path> lent = new ArrayList<>();
    private int made;

    WorkFolder(Path path, Optional<UserPrincipal> user) {
        this.path = path;
        this.user = user;
    }

    public Path path() {
        return path;
    }

    /**
     * Makes a file readable for the process: the file itself where both are one user, else a second name of it within the
     * folder, or a copy where it cannot have one or others may not read it.
     *
     * @return where the process finds it
     */
    public Path lend(Path file) throws IOException {
        Path real = file.toAbsolutePath();
        if (user.isEmpty()) {
            return real;
        }
        Path name = path.resolve("in-" + made++ + ending(real));
        lent.add(name);
        if (!isReadableByAll(real) || !linked(name, real)) {
            Files.copy(real, name, StandardCopyOption.REPLACE_EXISTING);
            Files.setPosixFilePermissions(name, PosixFilePermissions.fromString("r--r--r--"));
        }
        return name;
    }

    /** Puts a copy of a file into the folder under a name, for the process to read. */
    public Path receive(Path file, String name) throws IOException {
        Path copy = path.resolve(name);
        Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
        hand(copy);
        return copy;
    }

    /** Writes a file into the folder, for the process to read and change. @param name with the folders it lies in */
    public void write(String name, byte[] bytes) throws IOException {
        Path file = path.resolve(name);
        Files.createDirectories(file.getParent());
        Files.write(file, bytes);
        for (Path part = file; part != null && !part.equals(path); part = part.getParent()) {
            hand(part);
        }
    }

    private void hand(Path part) throws IOException {
        if (user.isPresent()) {
            Files.setOwner(part, user.get());
        }
    }

    private static String ending(Path file) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return dot < 0 || !name.substring(dot).matches("\\.[A-Za-z0-9]{1,8}") ? "" : name.substring(dot);
    }

    private static boolean isReadableByAll(Path file) throws IOException {
        return Files.getPosixFilePermissions(file).contains(PosixFilePermission.OTHERS_READ);
    }

    private static boolean linked(Path name, Path file) {
        try {
            Files.createLink(name, file);
            return true;
        } catch (IOException | UnsupportedOperationException elsewhere) {
            return false;
        }
    }

    /** Where the process is to leave something. */
    Path output() {
        Path name = path.resolve("out-" + made++);
        lent.add(name);
        return name;
    }

    /** Copies what the process left; a link that it left instead of a file is not followed. */
    void take(Path output, Path to) throws IOException {
        try (InputStream in = Files.newInputStream(output, LinkOption.NOFOLLOW_LINKS)) {
            Files.copy(in, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** Copies what the process left under a name. @throws IOException when it left nothing */
    public void take(String name, Path to) throws IOException {
        take(path.resolve(name), to);
    }

    /** Ends what was lent and left for one task. */
    void clear() throws IOException {
        for (Path name : lent) {
            Files.deleteIfExists(name);
        }
        lent.clear();
    }

    @Override
    public void close() throws IOException {
        delete(path);
    }

    /** Deletes a folder and what is in it; links are removed, never followed. */
    static void delete(Path folder) throws IOException {
        if (!Files.exists(folder, LinkOption.NOFOLLOW_LINKS)) {
            return;
        }
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                Files.deleteIfExists(file);
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException gone) {
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path visited, IOException failed) throws IOException {
                Files.deleteIfExists(visited);
                return FileVisitResult.CONTINUE;
            }
        });
    }
}
