package app.denfold.server.reading;

/** The pages of stored bytes were read, or could not be. */
public record PaperRead(String sha256) {}
