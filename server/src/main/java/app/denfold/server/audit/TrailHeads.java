package app.denfold.server.audit;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Where the end of the trail stood at each check point, in a file outside of the database: rows that were cut off, or a
 * whole older trail put in their place, do not go with it. Each line is signed with the trail's key.
 */
@Component
class TrailHeads {

    private final Path file;
    private final TrailKey key;

    /** @param file where they are kept; on another disk or machine than the database they prove more */
    TrailHeads(@Value("${denfold.trail-heads:${denfold.keys}/trail-heads.txt}") Path file, TrailKey key) {
        this.file = file.toAbsolutePath();
        this.key = key;
    }

    /** @param seq of the last row then @param hash of it */
    record Head(Instant at, long seq, String hash) {
        private String words() {
            return at + " " + seq + " " + hash;
        }
    }

    /** Adds a line unless the trail stands where it stood. */
    synchronized void note(long seq, String hash, Instant now) {
        try {
            Optional<Head> last = last();
            if (last.isEmpty() || last.get().seq() != seq || !last.get().hash().equals(hash)) {
                Head head = new Head(now, seq, hash);
                Files.createDirectories(file.getParent());
                Files.writeString(
                        file,
                        head.words() + " " + key.hmac(head.words().getBytes(StandardCharsets.UTF_8)) + "\n",
                        StandardOpenOption.CREATE,
                        StandardOpenOption.APPEND,
                        StandardOpenOption.SYNC);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException("Where the trail stands could not be noted in " + file, failed);
        }
    }

    private Optional<Head> last() throws IOException {
        List<Head> all = read();
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
    }

    /** All that were noted, the oldest first; a line that is not signed with the key is taken for none. */
    synchronized List<Head> all() {
        try {
            return read();
        } catch (IOException unreadable) {
            throw new UncheckedIOException("The noted ends of the trail in " + file + " cannot be read", unreadable);
        }
    }

    private List<Head> read() throws IOException {
        List<Head> heads = new ArrayList<>();
        if (Files.exists(file)) {
            for (String line : Files.readAllLines(file)) {
                String[] parts = line.split(" ");
                if (parts.length == 4) {
                    String words = parts[0] + " " + parts[1] + " " + parts[2];
                    if (key.hmac(words.getBytes(StandardCharsets.UTF_8)).equals(parts[3])) {
                        heads.add(new Head(Instant.parse(parts[0]), Long.parseLong(parts[1]), parts[2]));
                    }
                }
            }
        }
        return heads;
    }
}
