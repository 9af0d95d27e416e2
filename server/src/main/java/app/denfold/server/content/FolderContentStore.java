package app.denfold.server.content;

import app.denfold.server.practice.PrivateFolder;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Objects;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A folder: bytes go to a temporary name, are synced, renamed to their hash, and the folder entry is synced as well. Only
 * this program's user can walk through its folders.
 */
@Component
class FolderContentStore implements ContentStore {

    private static final Set<PosixFilePermission> READ_ONLY = PosixFilePermissions.fromString("r--r--r--");

    private final Path root;
    private final Path incoming;

    FolderContentStore(@Value("${denfold.content}") Path root) throws IOException {
        this.root = root.toAbsolutePath();
        this.incoming = PrivateFolder.in(this.root, "incoming");
    }

    @Override
    public Staged stage(InputStream bytes) throws IOException {
        Path temporary = Files.createTempFile(incoming, "paper", ".part");
        try {
            Stored stored = writeSynced(bytes, temporary);
            Files.setPosixFilePermissions(temporary, READ_ONLY);
            return new Staged(temporary, stored);
        } catch (IOException | RuntimeException failed) {
            Files.deleteIfExists(temporary);
            throw failed;
        }
    }

    @Override
    public Stored keep(Staged staged) throws IOException {
        Path place = file(staged.stored().sha256());
        createFolders(folderOf(place));
        Files.move(staged.file(), place, StandardCopyOption.ATOMIC_MOVE);
        sync(folderOf(place));
        return staged.stored();
    }

    @Override
    public void drop(Staged staged) throws IOException {
        Files.deleteIfExists(staged.file());
    }

    @Override
    public void each(Visit visit) throws IOException {
        try (DirectoryStream<Path> first = Files.newDirectoryStream(root, "[0-9a-f][0-9a-f]")) {
            for (Path folder : first) {
                try (DirectoryStream<Path> second = Files.newDirectoryStream(folder, "[0-9a-f][0-9a-f]")) {
                    for (Path inner : second) {
                        visitFiles(inner, visit);
                    }
                }
            }
        }
    }

    private static void visitFiles(Path folder, Visit visit) throws IOException {
        try (DirectoryStream<Path> files = Files.newDirectoryStream(folder)) {
            for (Path file : files) {
                String name = file.getFileName().toString();
                if (isHash(name)) {
                    visit.stored(name, Files.getLastModifiedTime(file).toInstant());
                }
            }
        } catch (NoSuchFileException meanwhile) {
            // deleted since the folder was listed
        }
    }

    @Override
    public int sweepStaged(Instant before) throws IOException {
        int swept = 0;
        try (DirectoryStream<Path> left = Files.newDirectoryStream(incoming)) {
            for (Path file : left) {
                if (Files.getLastModifiedTime(file).toInstant().isBefore(before)) {
                    swept += Files.deleteIfExists(file) ? 1 : 0;
                }
            }
        }
        return swept;
    }

    private static Stored writeSynced(InputStream bytes, Path to) throws IOException {
        MessageDigest digest = sha256();
        long size = 0;
        byte[] buffer = new byte[1 << 16];
        try (FileChannel channel = FileChannel.open(to, StandardOpenOption.WRITE)) {
            for (int read = bytes.read(buffer); read >= 0; read = bytes.read(buffer)) {
                digest.update(buffer, 0, read);
                ByteBuffer chunk = ByteBuffer.wrap(buffer, 0, read);
                while (chunk.hasRemaining()) {
                    channel.write(chunk);
                }
                size += read;
            }
            channel.force(true);
        }
        return new Stored(HexFormat.of().formatHex(digest.digest()), size);
    }

    private void createFolders(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            createFolders(folderOf(folder));
            PrivateFolder.in(folderOf(folder), folder.getFileName().toString());
            sync(folderOf(folder));
        }
    }

    private static Path folderOf(Path file) {
        return Objects.requireNonNull(file.getParent());
    }

    private static void sync(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    @Override
    public Path file(String sha256) {
        if (!isHash(sha256)) {
            throw new IllegalArgumentException("Not a SHA-256: " + sha256);
        }
        return root.resolve(sha256.substring(0, 2))
                .resolve(sha256.substring(2, 4))
                .resolve(sha256);
    }

    private static boolean isHash(String name) {
        return name.matches("[0-9a-f]{64}");
    }
}
