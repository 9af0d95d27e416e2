package app.denfold.server.documents;

import jakarta.persistence.Embeddable;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/**
 * One state of a document's bytes.
 *
 * @param cause in words, such as {@code as received} or {@code signed copy of version 1}
 * @param pages where each of its pages comes from, in their order; null where its bytes were brought as a whole
 */
@Embeddable
public record DocumentVersion(
        String sha256,
        String cause,
        String madeBy,
        Instant madeAt,

        @JdbcTypeCode(SqlTypes.JSON) @Nullable List<PageSource> pages) {

    /**
     * Where a page comes from.
     *
     * @param documentId of the paper, itself or another; null where it came from no filed paper
     * @param version number of the version of that paper; 0 where it came from none
     * @param page from 1
     * @param turn by how many degrees clockwise it was turned
     */
    public record PageSource(@jakarta.annotation.Nullable UUID documentId, int version, int page, int turn) {}

    /** One whose bytes were brought as a whole. */
    public DocumentVersion(String sha256, String cause, String madeBy, Instant madeAt) {
        this(sha256, cause, madeBy, madeAt, null);
    }
}
