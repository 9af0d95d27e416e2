package app.denfold.core.letters;

/** Text of unknown origin as it may stand on paper: what does not show, or turns the writing round, is left out. */
final class PlainLetters {

    private PlainLetters() {}

    /**
     * The text without control characters, marks of writing direction (Unicode Standard Annex 9), and code points that are
     * none; lines become spaces.
     */
    static String of(String text) {
        StringBuilder safe = new StringBuilder();
        text.codePoints()
                .map(c -> c == '\n' || c == '\r' || c == '\t' ? ' ' : c)
                .filter(PlainLetters::shows)
                .forEach(safe::appendCodePoint);
        return safe.toString();
    }

    private static boolean shows(int c) {
        return switch (Character.getType(c)) {
            case Character.CONTROL, Character.SURROGATE, Character.UNASSIGNED, Character.PRIVATE_USE -> false;
            case Character.FORMAT -> c == 0x200D;
            default -> true;
        };
    }
}
