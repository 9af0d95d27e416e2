package app.denfold.core.notices;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Something that people are told about: a slot of a file, or one paper that runs out.
 *
 * @param file id of the file it is in
 * @param kind of that file
 * @param thing what it is
 * @param label as people are told
 * @param types codes of the document types that would do
 * @param sensitive whether these are for few, so that outsiders are not told which
 * @param stands how it stands from now on, by day; at least one
 */
public record Watched(
        String file,
        String kind,
        Thing thing,
        String label,
        Set<String> types,
        boolean sensitive,
        boolean blocking,
        List<Stand> stands) {

    /** Either a slot or a paper. */
    public record Thing(
            @Nullable String checklist,
            @Nullable String requirement,
            @Nullable String paper) {

        public static Thing slot(String checklist, String requirement) {
            return new Thing(checklist, requirement, null);
        }

        public static Thing paper(String id) {
            return new Thing(null, null, id);
        }
    }

    public Watched {
        types = Set.copyOf(types);
        stands = List.copyOf(stands);
        if (stands.isEmpty()) {
            throw new IllegalArgumentException("A slot stands somehow");
        }
    }

    /** Of a day before all that is known: as it stands first. */
    public Stand on(LocalDate day) {
        Stand on = stands.get(0);
        for (Stand stand : stands) {
            if (stand.from() != null && stand.from().isAfter(day)) {
                break;
            }
            on = stand;
        }
        return on;
    }

    /** The day that people are told: the last covered one, or by when it is due. */
    public Optional<LocalDate> until(LocalDate day) {
        Stand stand = on(day);
        return Optional.ofNullable(stand.coveredThrough() == null ? stand.due() : stand.coveredThrough());
    }
}
