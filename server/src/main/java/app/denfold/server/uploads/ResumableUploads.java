package app.denfold.server.uploads;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.practice.PrivateFolder;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.io.UncheckedIOException;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import me.desair.tus.server.TusFileUploadService;
import me.desair.tus.server.exception.TusException;
import me.desair.tus.server.exception.UploadAlreadyLockedException;
import me.desair.tus.server.upload.UploadInfo;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * Uploads that go on where they broke off, by the open protocol tus 1.0.0. What was begun and not finished within a day
 * is removed. Nobody sees the uploads of another account.
 */
@Component
public class ResumableUploads {

    static final String ADDRESS = "/api/uploads";
    private static final Duration KEPT = Duration.ofDays(1);

    /** A tenth of a second apart, while another request holds the same upload. */
    private static final int MOST_TRIES = 100;

    private static final Logger LOG = LoggerFactory.getLogger(ResumableUploads.class);

    private final Path uploads;
    private final TusFileUploadService tus;

    ResumableUploads(
            @Value("${denfold.content}") Path root, @Value("${spring.servlet.multipart.max-file-size}") DataSize limit)
            throws IOException {
        this.uploads = PrivateFolder.in(root.toAbsolutePath(), "uploads");
        this.tus = new TusFileUploadService()
                .withUploadUri(ADDRESS)
                .withStoragePath(uploads.toString())
                .withMaxUploadSize(limit.toBytes())
                .withUploadExpirationPeriod(KEPT.toMillis());
    }

    /** Answers a request of the protocol. @throws Refusal when the account can bring no papers at all */
    void process(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        if (viewer.role().worksHere()) {
            viewer.requireChange();
        }
        try {
            tus.process(new WithoutParameters(request), response, owner(viewer));
        } catch (OverlappingFileLockException busy) {
            throw busy();
        } catch (IOException failed) {
            throw NotNow.notStored("The file", failed);
        }
    }

    /** A whole upload as a file of its own, gone when closed. @throws Refusal when it is unknown or not whole yet */
    public UploadedFile whole(Viewer viewer, UUID upload) throws IOException {
        for (int tried = 1; ; tried++) {
            try {
                return wholeNow(viewer, upload);
            } catch (UploadAlreadyLockedException | OverlappingFileLockException busy) {
                // the library tells the second when two ask for the lock in the same instant
                if (tried == MOST_TRIES) {
                    throw busy();
                }
                pause();
            } catch (TusException gone) {
                throw Refusal.notFound("upload");
            }
        }
    }

    private static Refusal busy() {
        return Refusal.conflict("upload-busy", "This file is being sent or taken just now. Try again.");
    }

    private static void pause() throws InterruptedIOException {
        try {
            TimeUnit.MILLISECONDS.sleep(100);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("The upload was not taken: the server stops.");
        }
    }

    private UploadedFile wholeNow(Viewer viewer, UUID upload) throws IOException, TusException {
        UploadInfo info = tus.getUploadInfo(address(upload), owner(viewer));
        if (info == null || info.isExpired()) {
            throw Refusal.notFound("upload");
        }
        // the library keeps no length of nothing
        boolean hasBytes = info.getLength() != null && info.getLength() > 0;
        if (!hasBytes && (info.getOffset() == null || info.getOffset() == 0)) {
            throw Refusal.invalid(
                    "file",
                    "“" + UploadedFile.lastName(info.getFileName())
                            + "” is empty: it holds no bytes. Scan or save it again.");
        }
        if (info.isUploadInProgress()) {
            throw Refusal.conflict("incomplete", "Not all of this file has arrived yet; let it go on.");
        }
        Path path = Files.createTempFile("upload", ".part");
        try (InputStream in = tus.getUploadedBytes(address(upload), owner(viewer))) {
            Files.copy(in, path, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        }
        return new UploadedFile(path, UploadedFile.lastName(info.getFileName()));
    }

    /** Removes what has been taken over, or was refused. */
    public void remove(Viewer viewer, UUID upload) {
        try {
            tus.deleteUpload(address(upload), owner(viewer));
        } catch (IOException | TusException | OverlappingFileLockException left) {
            LOG.warn("The upload {} is left until it is swept: {}", upload, left.getMessage());
        }
    }

    /** Removes what was begun and not finished in time. */
    void sweep() {
        try {
            // the library cannot sweep folders that the first upload has yet to make
            Files.createDirectories(uploads.resolve("locks"));
            Files.createDirectories(uploads.resolve("uploads"));
            tus.cleanup();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** The protocol knows its media type without a character set, which what stands between may have added. */
    private static final class WithoutParameters extends HttpServletRequestWrapper {

        WithoutParameters(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getHeader(String name) {
            String value = super.getHeader(name);
            return HttpHeaders.CONTENT_TYPE.equalsIgnoreCase(name) && value != null
                    ? value.replaceFirst("\\s*;.*", "")
                    : value;
        }
    }

    private static String address(UUID upload) {
        return ADDRESS + "/" + upload;
    }

    private static String owner(Viewer viewer) {
        return viewer.accountId().toString();
    }
}
