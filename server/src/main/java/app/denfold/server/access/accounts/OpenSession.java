package app.denfold.server.access.accounts;

import java.time.Instant;

/** Where an account is signed in. @param isThis whether it is the one that asks */
public record OpenSession(Instant since, Instant lastUsed, boolean isThis) {}
