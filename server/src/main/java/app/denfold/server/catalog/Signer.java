package app.denfold.server.catalog;

/** A role that signs documents of a type, and what it is called. */
public record Signer(String role, String label) {}
