package app.denfold.core.signing;

import app.denfold.core.filing.PlainText;
import java.util.ArrayList;
import java.util.List;

/** Whether a typed name can be somebody's signature. */
public final class TypedName {

    private TypedName() {}

    /**
     * Whether what was typed is the name: the same words in any order, capital letters, accents and dots aside. Given
     * names may be left out or shortened to their first letter, the last word of the name may not. What follows a comma
     * behind at least two words, such as a title, is no part of the name.
     *
     * @param name as it is known, given names first
     */
    public static boolean isOf(String name, String typed) {
        List<String> left = new ArrayList<>(nameWords(name));
        List<String> written = PlainText.words(typed);
        if (left.isEmpty() || !written.contains(left.get(left.size() - 1))) {
            return false;
        }
        // whole words first, so that an initial takes none of them
        List<String> initials =
                written.stream().filter(word -> !left.remove(word)).toList();
        return initials.stream().allMatch(initial -> initial.length() == 1 && takeFirst(left, initial));
    }

    private static List<String> nameWords(String name) {
        List<String> untilComma = PlainText.words(name.split(",", 2)[0]);
        return untilComma.size() > 1 ? untilComma : PlainText.words(name);
    }

    /** Takes the first word away that begins so. @return whether there was one */
    private static boolean takeFirst(List<String> words, String initial) {
        for (String word : words) {
            if (word.startsWith(initial)) {
                return words.remove(word);
            }
        }
        return false;
    }
}
