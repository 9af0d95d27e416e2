package app.denfold.core.signing;

import app.denfold.core.filing.PlainText;
import java.util.ArrayList;
import java.util.List;

/** Whether a typed name can be somebody's signature. */
public final class TypedName {

    private TypedName() {}

    /**
     * Whether what was typed is the name: the same words in any order, capital letters, accents and dots aside. Given
     * names may be left out or shortened to their first letter; the family name, which stands last in the name or first in
     * what was typed, may not.
     *
     * @param name as it is known, given names first
     */
    public static boolean isOf(String name, String typed) {
        List<String> known = PlainText.words(name);
        List<String> left = new ArrayList<>(known);
        List<String> written = PlainText.words(typed);
        if (known.isEmpty() || written.isEmpty() || !written.contains(known.get(known.size() - 1))) {
            return false;
        }
        // whole words first, so that an initial takes none of them
        List<String> initials = new ArrayList<>();
        for (String word : written) {
            if (!left.remove(word)) {
                initials.add(word);
            }
        }
        for (String initial : initials) {
            if (initial.length() != 1 || !left.removeIf(once(initial))) {
                return false;
            }
        }
        return true;
    }

    /** True of the first word only that begins so. */
    private static java.util.function.Predicate<String> once(String initial) {
        boolean[] taken = {false};
        return word -> {
            boolean fits = !taken[0] && word.startsWith(initial);
            taken[0] |= fits;
            return fits;
        };
    }
}
