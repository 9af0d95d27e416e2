package app.denfold.server.content;

import app.denfold.server.problems.NotNow;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.Collections;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Gives out stored files only when their bytes have the hash they are known by. A file that was found whole a short while
 * ago and was not touched since is not read through again for each of its pages.
 */
@Component
class CheckBytes {

    private static final Duration TRUSTED = Duration.ofMinutes(5);
    private static final int MOST_TRUSTED = 20_000;

    private final ContentStore store;
    private final DamagedContent damaged;
    private final Map<String, Seen> trusted = Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Seen> eldest) {
            return size() > MOST_TRUSTED;
        }
    });

    CheckBytes(ContentStore store, DamagedContent damaged) {
        this.store = store;
        this.damaged = damaged;
    }

    /** What tells that a file was not written to: any change of its bytes, name or rights moves the time of change. */
    private record Stamp(Object inode, long size, Object changed) {
        static Stamp of(Path file) throws IOException {
            Map<String, Object> found = Files.readAttributes(file, "unix:ino,size,ctime");
            return new Stamp(
                    Objects.requireNonNull(found.get("ino")),
                    Objects.requireNonNull((Long) found.get("size")),
                    Objects.requireNonNull(found.get("ctime")));
        }
    }

    private record Seen(Stamp stamp, long atNanos) {}

    /**
     * The file, known to be whole.
     *
     * @throws NotNow when it is missing or damaged, in words for whoever wanted to read it
     */
    Path whole(Content content) {
        Path file = store.file(content.sha256());
        try {
            Seen seen = trusted.get(content.sha256());
            if (seen != null
                    && System.nanoTime() - seen.atNanos < TRUSTED.toNanos()
                    && Files.exists(file)
                    && seen.stamp.equals(Stamp.of(file))) {
                return file;
            }
            return readThrough(content, file);
        } catch (IOException unreadable) {
            throw damaged(
                    content.sha256(),
                    "Its file cannot be read: " + unreadable.getClass().getSimpleName() + ".");
        }
    }

    /** The same, read through now whatever was found before. */
    Path wholeNow(Content content) {
        trusted.remove(content.sha256());
        return whole(content);
    }

    private Path readThrough(Content content, Path file) throws IOException {
        Optional<String> wrong = wrong(content, file);
        if (wrong.isPresent()) {
            throw damaged(content.sha256(), wrong.get());
        }
        return file;
    }

    /** What is wrong with the stored bytes, as a sentence; it is not noted. */
    Optional<String> wrong(Content content) throws IOException {
        return wrong(content, store.file(content.sha256()));
    }

    private Optional<String> wrong(Content content, Path file) throws IOException {
        if (!Files.exists(file)) {
            return Optional.of("Its file is missing.");
        }
        Stamp before = Stamp.of(file);
        String sha256 = sha256(file);
        if (!sha256.equals(content.sha256())) {
            return Optional.of("Its bytes are not those that were taken in: they have the SHA-256 " + sha256 + ".");
        }
        trusted.put(content.sha256(), new Seen(before, System.nanoTime()));
        return Optional.empty();
    }

    private NotNow damaged(String sha256, String words) {
        trusted.remove(sha256);
        damaged.report(sha256, words);
        return NotNow.damaged(words);
    }

    static String sha256(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file);
                DigestInputStream digest = new DigestInputStream(in, MessageDigest.getInstance("SHA-256"))) {
            digest.transferTo(OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(digest.getMessageDigest().digest());
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
