package app.denfold.server.chasing;

import java.util.UUID;

/** A mail to be sent. @param purpose {@code chase}, {@code invitation} or {@code share}; @param fileId it concerns */
public record Message(UUID fileId, String purpose, String recipient, String subject, String body) {}
