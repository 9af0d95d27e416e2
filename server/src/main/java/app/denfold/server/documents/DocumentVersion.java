package app.denfold.server.documents;

import jakarta.persistence.Embeddable;
import java.time.Instant;

/** One state of a document's bytes. @param cause in words, such as {@code as received} or {@code signed copy of version 1} */
@Embeddable
public record DocumentVersion(String sha256, String cause, String madeBy, Instant madeAt) {}
