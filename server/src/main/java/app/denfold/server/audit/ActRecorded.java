package app.denfold.server.audit;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Something was done, and stands in the trail with the running transaction. That somebody looked is not told.
 *
 * @param fileId null where it was about no file
 * @param documentId null where it was about no single document
 */
public record ActRecorded(@Nullable UUID fileId, @Nullable UUID documentId) {}
