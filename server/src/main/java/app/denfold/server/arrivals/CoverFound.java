package app.denfold.server.arrivals;

import java.util.UUID;

/** A paper was split off behind a cover sheet, at a desk that files such papers by itself. */
record CoverFound(UUID arrivalId, String desk) {}
