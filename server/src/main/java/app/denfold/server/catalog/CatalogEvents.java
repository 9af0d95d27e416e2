package app.denfold.server.catalog;

import app.denfold.server.access.Actor;

/** What later modules hear about the rules. */
public final class CatalogEvents {

    private CatalogEvents() {}

    /**
     * Types, checklists or facts changed.
     *
     * @param slots whether that can change how slots stand: those computed by an older revision are out of date then
     * @param found whether papers are found by other names or states now
     */
    public record RulesChanged(long revision, String what, Actor by, boolean slots, boolean found) {}
}
