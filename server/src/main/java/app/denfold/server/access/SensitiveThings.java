package app.denfold.server.access;

import java.util.Set;

/** What is for those only who may see sensitive papers; each module that has such things tells them. */
public interface SensitiveThings {

    /** Codes of document types. */
    default Set<String> types() {
        return Set.of();
    }

    /** Facts of persons, as {@link Viewer#fact} writes them. */
    default Set<String> facts() {
        return Set.of();
    }
}
