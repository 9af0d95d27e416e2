package app.denfold.server.content;

import app.denfold.paper.Format;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/** Answers with stored bytes or drawn pages. */
@Component
public class Download {

    private final Contents contents;

    Download(Contents contents) {
        this.contents = contents;
    }

    /** The whole file as an attachment, named and with the ending of its true format; ranges are supported. */
    public ResponseEntity<Resource> attachment(String sha256, String name) {
        return whole(sha256, name, ContentDisposition.attachment());
    }

    /** The same, of a PDF that the browser shows in a tab of its own, where it is printed. */
    public ResponseEntity<Resource> inTab(String sha256, String name) {
        return whole(sha256, name, ContentDisposition.inline());
    }

    private ResponseEntity<Resource> whole(String sha256, String name, ContentDisposition.Builder builder) {
        Content content = contents.content(sha256);
        String ending = Format.ofMediaType(content.mediaType())
                .map(f -> "." + f.ending())
                .orElse("");
        ContentDisposition disposition =
                builder.filename(name + ending, StandardCharsets.UTF_8).build();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition.toString())
                .contentType(MediaType.parseMediaType(content.mediaType()))
                .cacheControl(CacheControl.noStore())
                .body(new FileSystemResource(contents.wholeFile(content)));
    }

    /** The file to be read in the page, in ranges; a browser that opens it by itself takes it for a download. */
    public ResponseEntity<Resource> inPage(String sha256) {
        Content content = contents.content(sha256);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment")
                .header(HttpHeaders.ETAG, "\"" + sha256 + "\"")
                .contentType(MediaType.parseMediaType(content.mediaType()))
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(new FileSystemResource(contents.file(sha256)));
    }

    /** One page; it may be kept by the browser of the one who may see it. */
    public ResponseEntity<byte[]> page(String sha256, int page, int width) {
        return page(sha256, page, width, 0);
    }

    /** The same, turned clockwise by quarters. */
    public ResponseEntity<byte[]> page(String sha256, int page, int width, int turn) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(contents.page(sha256, page, width, turn));
    }
}
