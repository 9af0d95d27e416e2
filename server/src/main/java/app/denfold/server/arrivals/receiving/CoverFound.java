package app.denfold.server.arrivals.receiving;

import java.util.UUID;

/** A paper was split off behind a cover sheet, at a desk that files such papers by itself. */
public record CoverFound(UUID arrivalId, String desk) {}
