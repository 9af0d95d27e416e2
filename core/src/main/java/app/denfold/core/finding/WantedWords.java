package app.denfold.core.finding;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The words a paper must hold.
 *
 * @param all each must be there, in any form of the word
 * @param any of each group at least one must be there, in any form of the word
 * @param exact each must be there as it is written, its words next to each other
 * @param without none of these, a word or words next to each other, may be there
 */
public record WantedWords(List<String> all, List<List<String>> any, List<String> exact, List<String> without) {

    /** More letters than this are no search. */
    public static final int MOST_LETTERS = 500;

    private static final String QUOTES = "\"“”„«»";
    private static final WantedWords NOTHING = new WantedWords(List.of(), List.of(), List.of(), List.of());

    public WantedWords {
        all = distinct(all);
        any = any.stream()
                .map(WantedWords::distinct)
                .filter(g -> !g.isEmpty())
                .distinct()
                .toList();
        exact = distinct(exact);
        without = distinct(without);
    }

    private static List<String> distinct(List<String> words) {
        Set<String> kept = new LinkedHashSet<>();
        words.stream().map(String::strip).filter(w -> !w.isEmpty()).forEach(kept::add);
        return List.copyOf(kept);
    }

    public static WantedWords nothing() {
        return NOTHING;
    }

    /** True when it asks for nothing, though it may forbid something. */
    public boolean isEmpty() {
        return all.isEmpty() && any.isEmpty() && exact.isEmpty();
    }

    /**
     * Reads what was typed in one line: words that must all be there; {@code "words in quotes"} as they are written; a
     * word or quotation after a minus sign must not be there; {@code or} between two words or more makes them a choice.
     * A quotation that is not closed goes to the end.
     *
     * @throws IllegalArgumentException when more than {@value #MOST_LETTERS} letters were typed
     */
    public static WantedWords typed(String line) {
        if (line.length() > MOST_LETTERS) {
            throw new IllegalArgumentException("Up to " + MOST_LETTERS + " letters can be searched for; these are "
                    + String.format(Locale.ROOT, "%,d", line.length()) + ".");
        }
        return new Reader(tokens(line)).read();
    }

    /** The same and other words on top. */
    public WantedWords and(WantedWords more) {
        return new WantedWords(
                Stream.concat(all.stream(), more.all.stream()).toList(),
                Stream.concat(any.stream(), more.any.stream()).toList(),
                Stream.concat(exact.stream(), more.exact.stream()).toList(),
                Stream.concat(without.stream(), more.without.stream()).toList());
    }

    private record Token(String text, boolean quoted, boolean forbidden) {
        boolean isOr() {
            return !quoted && !forbidden && text.equalsIgnoreCase("or");
        }
    }

    private static List<Token> tokens(String line) {
        List<Token> tokens = new ArrayList<>();
        int at = 0;
        while (at < line.length()) {
            if (Character.isWhitespace(line.charAt(at))) {
                at++;
                continue;
            }
            boolean forbidden = line.charAt(at) == '-' && at + 1 < line.length() && !endsWord(line, at + 1);
            int begin = forbidden ? at + 1 : at;
            boolean quoted = isQuote(line.charAt(begin));
            int end = quoted ? closing(line, begin + 1) : wordEnd(line, begin);
            String text = line.substring(quoted ? begin + 1 : begin, end).strip();
            if (!text.isEmpty()) {
                tokens.add(new Token(text, quoted, forbidden));
            }
            at = quoted ? end + 1 : end;
        }
        return tokens;
    }

    private static boolean endsWord(String line, int at) {
        return Character.isWhitespace(line.charAt(at)) || line.charAt(at) == '-';
    }

    private static boolean isQuote(char letter) {
        return QUOTES.indexOf(letter) >= 0;
    }

    private static int closing(String line, int from) {
        int at = from;
        while (at < line.length() && !isQuote(line.charAt(at))) {
            at++;
        }
        return at;
    }

    private static int wordEnd(String line, int from) {
        int at = from;
        while (at < line.length() && !Character.isWhitespace(line.charAt(at)) && !isQuote(line.charAt(at))) {
            at++;
        }
        return at;
    }

    private static final class Reader {
        private final List<Token> tokens;
        private final List<String> all = new ArrayList<>();
        private final List<List<String>> any = new ArrayList<>();
        private final List<String> exact = new ArrayList<>();
        private final List<String> without = new ArrayList<>();

        Reader(List<Token> tokens) {
            this.tokens = tokens;
        }

        WantedWords read() {
            for (int i = 0; i < tokens.size(); i++) {
                Token token = tokens.get(i);
                if (joins(i)) {
                    List<String> group = new ArrayList<>(List.of(token.text()));
                    while (joins(i)) {
                        i += 2;
                        group.add(tokens.get(i).text());
                    }
                    any.add(group);
                } else if (token.forbidden()) {
                    without.add(token.text());
                } else if (token.quoted()) {
                    exact.add(token.text());
                } else {
                    all.add(token.text());
                }
            }
            return new WantedWords(all, any, exact, without);
        }

        /** Whether “or” and another word to choose from follow. */
        private boolean joins(int at) {
            return at + 2 < tokens.size()
                    && !tokens.get(at).forbidden()
                    && tokens.get(at + 1).isOr()
                    && !tokens.get(at + 2).forbidden();
        }
    }
}
