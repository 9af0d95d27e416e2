package app.denfold.server.content;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;

/** Keeps bytes by their SHA-256. What {@link #put} returned for is on disk and stays. */
interface ContentStore {

    /** @param sha256 in lower-case hexadecimal */
    record Stored(String sha256, long size) {}

    /**
     * Stores the bytes; returns only after they are synced to disk under their final name.
     *
     * @throws IOException when anything of that failed; then nothing is kept under a final name
     */
    Stored put(InputStream bytes) throws IOException;

    /** A file with these bytes on this machine, for reading only. */
    Path file(String sha256);
}
