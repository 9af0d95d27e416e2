package app.denfold.server.access;

import java.util.Set;
import java.util.UUID;

/** A program that asks with its key. @param account the key's own */
public record SignedInProgram(UUID account, Set<KeyScope> scopes) {}
