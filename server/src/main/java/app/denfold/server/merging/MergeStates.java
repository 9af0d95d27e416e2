package app.denfold.server.merging;

import app.denfold.core.people.MergeValues;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonState;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What is known of one person from two files, and of one of them again. */
final class MergeStates {

    private MergeStates() {}

    /**
     * @param fromGone names among {@link PersonState#values} of which the closed file's value holds
     * @return all that is known; by the number of the closed file and by its names the person is found ever after
     */
    static PersonState together(
            PersonFile kept, PersonState ofKept, PersonFile gone, PersonState ofGone, Set<String> fromGone) {
        Map<String, Object> values = MergeValues.together(ofKept.values(), ofGone.values(), fromGone);
        List<String> names = new ArrayList<>(MergeValues.union(ofKept.formerNames(), ofGone.formerNames()));
        for (String family : List.of(kept.familyName(), gone.familyName())) {
            if (!family.equals(values.get("familyName")) && !names.contains(family)) {
                names.add(family);
            }
        }
        List<String> identifiers = MergeValues.union(
                MergeValues.union(ofKept.identifiers(), ofGone.identifiers()), List.of(gone.number()));
        return PersonState.of(values, names, identifiers);
    }

    static PersonState apart(PersonState now, PersonState before, PersonState after) {
        return PersonState.of(
                MergeValues.apart(now.values(), before.values(), after.values()),
                MergeValues.without(now.formerNames(), before.formerNames(), after.formerNames()),
                MergeValues.without(now.identifiers(), before.identifiers(), after.identifiers()));
    }
}
