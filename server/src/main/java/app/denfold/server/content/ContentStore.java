package app.denfold.server.content;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Instant;

/**
 * Keeps bytes by their SHA-256. What {@link #keep} returned for is on disk and stays. Storing the same bytes again puts
 * the fresh ones in their place, so that a damaged file is mended by it.
 */
public interface ContentStore {

    /** @param sha256 in lower-case hexadecimal */
    record Stored(String sha256, long size) {}

    /** Bytes that are synced to disk under a temporary name. @param file to be looked into, for reading only */
    record Staged(Path file, Stored stored) {}

    /** @throws IOException when they could not be written; nothing is left then */
    Staged stage(InputStream bytes) throws IOException;

    /**
     * Gives staged bytes their final name; returns only after that is synced as well.
     *
     * @throws IOException when that failed; then nothing new is kept under a final name
     */
    Stored keep(Staged staged) throws IOException;

    /** Forgets staged bytes that are not to be kept; harmless after they were. */
    void drop(Staged staged) throws IOException;

    default Stored put(InputStream bytes) throws IOException {
        Staged staged = stage(bytes);
        try {
            return keep(staged);
        } finally {
            drop(staged);
        }
    }

    /** A file with these bytes on this machine, for reading only. */
    Path file(String sha256);

    /** What is to be done with each stored file while all of them are gone through. */
    interface Visit {
        void stored(String sha256, Instant since) throws IOException;
    }

    /** Goes through all that is kept. */
    void each(Visit visit) throws IOException;

    /** Deletes what was staged before the moment and never kept. @return how many files */
    int sweepStaged(Instant before) throws IOException;
}
