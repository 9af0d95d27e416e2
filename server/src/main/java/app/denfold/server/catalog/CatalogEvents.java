package app.denfold.server.catalog;

import app.denfold.server.access.Actor;

/** What later modules hear about the rules. */
public final class CatalogEvents {

    private CatalogEvents() {}

    /** Types, checklists or facts changed; slots computed by an older revision are out of date. */
    public record RulesChanged(long revision, String what, Actor by) {}
}
