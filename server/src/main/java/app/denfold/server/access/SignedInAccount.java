package app.denfold.server.access;

import java.io.Serializable;
import java.util.UUID;

/** What a session remembers: which account, and nothing that could grow stale. */
record SignedInAccount(UUID id) implements Serializable {}
