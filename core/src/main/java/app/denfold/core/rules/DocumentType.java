package app.denfold.core.rules;

/** What the rules need to know of a document type. */
public record DocumentType(String code, Validity validity) {}
