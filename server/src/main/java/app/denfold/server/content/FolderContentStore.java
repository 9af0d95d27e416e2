package app.denfold.server.content;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A folder: bytes go to a temporary name, are synced, renamed to their hash, and the folder entry is synced as well. A
 * file that is there already is never written again.
 */
@Component
class FolderContentStore implements ContentStore {

    private final Path root;
    private final Path incoming;

    FolderContentStore(@Value("${denfold.content}") Path root) throws IOException {
        this.root = root.toAbsolutePath();
        this.incoming = Files.createDirectories(this.root.resolve("incoming"));
    }

    @Override
    public Stored put(InputStream bytes) throws IOException {
        Path temporary = Files.createTempFile(incoming, "paper", ".part");
        try {
            Stored stored = writeSynced(bytes, temporary);
            Path place = file(stored.sha256());
            if (!Files.exists(place)) {
                createFolders(place.getParent());
                Files.move(temporary, place, StandardCopyOption.ATOMIC_MOVE);
                sync(place.getParent());
            }
            return stored;
        } finally {
            Files.deleteIfExists(temporary);
        }
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
            createFolders(folder.getParent());
            Files.createDirectories(folder);
            sync(folder.getParent());
        }
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
        if (!sha256.matches("[0-9a-f]{64}")) {
            throw new IllegalArgumentException("Not a SHA-256: " + sha256);
        }
        return root.resolve(sha256.substring(0, 2))
                .resolve(sha256.substring(2, 4))
                .resolve(sha256);
    }
}
