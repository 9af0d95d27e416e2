package app.denfold.server.content.destroying;

/** Stored bytes are destroyed for good; what was read from them goes in the same transaction. */
public record ContentDestroyed(String sha256) {}
