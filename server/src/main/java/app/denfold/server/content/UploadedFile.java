package app.denfold.server.content;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** An upload as a file of its own, gone when closed. */
public record UploadedFile(Path path, String name) implements AutoCloseable {

    public static UploadedFile of(MultipartFile upload) throws IOException {
        Path path = Files.createTempFile("upload", ".part");
        try {
            upload.transferTo(path);
        } catch (IOException | IllegalStateException failed) {
            Files.deleteIfExists(path);
            throw failed;
        }
        return new UploadedFile(path, lastName(upload.getOriginalFilename()));
    }

    /** Some browsers send a whole path; only its last name is of interest. */
    public static String lastName(@Nullable String given) {
        String name =
                given == null ? "" : given.substring(Math.max(given.lastIndexOf('/'), given.lastIndexOf('\\')) + 1);
        return name.isBlank() ? "Paper" : name.substring(Math.max(0, name.length() - 200));
    }

    @Override
    public void close() throws IOException {
        Files.deleteIfExists(path);
    }
}
