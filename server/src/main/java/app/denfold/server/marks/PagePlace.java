package app.denfold.server.marks;

import java.util.UUID;

/** A page of a paper. @param version from 1 @param page from 1 */
record PagePlace(UUID documentId, int version, int page) {}
