package app.denfold.server.access;

import java.util.Map;
import java.util.Set;

/** What is for those only who may see sensitive papers; each module that has such things tells them. */
public interface SensitiveThings {

    /** Codes of document types, each with the code of the section in which its papers lie. */
    default Map<String, String> typesWithSections() {
        return Map.of();
    }

    /** Facts of persons, as {@link Viewer#fact} writes them. */
    default Set<String> facts() {
        return Set.of();
    }
}
