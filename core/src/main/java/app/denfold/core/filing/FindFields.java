package app.denfold.core.filing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds the values of a type's fields on a paper. */
public final class FindFields {

    /** How many characters a shape may look at, back and forth, before it is given up. */
    private static final int MOST_STEPS = 2_000_000;

    private static final int LONGEST = 200;

    private final Clues clues;
    private final Map<String, String> form;

    private FindFields(Clues clues, Map<String, String> form) {
        this.clues = clues;
        this.form = form;
    }

    /**
     * @param form values of the fields of a fillable PDF, by their names
     * @return one proposal for each field that was found, by the field's name, in the order of the fields
     */
    public static Map<String, Proposal<String>> in(List<TypeField> fields, Clues clues, Map<String, String> form) {
        FindFields find = new FindFields(clues, form);
        Map<String, Proposal<String>> result = new LinkedHashMap<>();
        fields.forEach(field -> find.value(field).ifPresent(p -> result.put(field.name(), p)));
        return result;
    }

    private Optional<Proposal<String>> value(TypeField field) {
        return switch (field.found()) {
            case BY_HAND -> Optional.empty();
            case AFTER_WORDS -> afterWords(field.sign());
            case BY_SHAPE -> byShape(field.sign());
            case IN_CODE -> inCode(field.sign());
            case IN_FORM -> inForm(field.sign());
        };
    }

    private static Optional<Proposal<String>> proposal(String value, double confidence, String reason) {
        String tidy = value.replaceAll("\\s+", " ").strip();
        return tidy.isEmpty() || tidy.length() > LONGEST
                ? Optional.empty()
                : Optional.of(new Proposal<>(tidy, confidence, reason, true));
    }

    /** What stands behind the words up to a wide gap or the end of the line; if nothing does, the next line. */
    private Optional<Proposal<String>> afterWords(String words) {
        Pattern sign = Pattern.compile(
                "(?<![\\p{L}\\p{N}])" + quoted(words)
                        + "(?![\\p{L}\\p{N}])[ \\t]*(?:no\\.?|number|nr\\.?)?[ \\t]*[:.#…-]*[ \\t]*(\\S[^\\n]*?)?(?:[ \\t]{3,}|\\n|$)\\s*([^\\n]*)",
                Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
        for (Clues.PageClues page : clues.pages()) {
            Matcher matcher = sign.matcher(new Bounded(page.text()));
            if (matcher.find()) {
                boolean sameLine = matcher.group(1) != null && !matcher.group(1).isBlank();
                return proposal(
                        (sameLine ? matcher.group(1) : matcher.group(2)).replaceFirst("[\\s.,;:]+$", ""),
                        sameLine ? 0.9 : 0.7,
                        "after “" + words + "” on page " + page.number());
            }
        }
        return Optional.empty();
    }

    private static String quoted(String words) {
        StringBuilder quoted = new StringBuilder();
        for (String word : words.split("\\s+")) {
            quoted.append(quoted.isEmpty() ? "" : "\\s+").append(Pattern.quote(word));
        }
        return quoted.toString();
    }

    private Optional<Proposal<String>> byShape(String shape) {
        Pattern pattern = Pattern.compile(shape);
        for (Clues.PageClues page : clues.pages()) {
            Optional<String> found = first(pattern, page.text());
            if (found.isPresent()) {
                return proposal(found.get(), 0.9, "by its shape on page " + page.number());
            }
        }
        return Optional.empty();
    }

    private static Optional<String> first(Pattern pattern, String text) {
        try {
            Matcher matcher = pattern.matcher(new Bounded(text));
            if (!matcher.find()) {
                return Optional.empty();
            }
            return Optional.ofNullable(matcher.groupCount() > 0 ? matcher.group(1) : matcher.group());
        } catch (TooLong | StackOverflowError endless) {
            // an expression that cannot be answered in bounded time finds nothing
            return Optional.empty();
        }
    }

    private Optional<Proposal<String>> inCode(String shape) {
        Pattern pattern = Pattern.compile(shape.isEmpty() ? "(?s).+" : shape);
        for (Clues.PageClues page : clues.pages()) {
            for (String code : page.codes()) {
                if (CoverCode.read(code).isEmpty()) {
                    Optional<String> found = first(pattern, code);
                    if (found.isPresent()) {
                        return proposal(found.get(), 0.99, "in the code on page " + page.number());
                    }
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Proposal<String>> inForm(String name) {
        return form.entrySet().stream()
                .filter(e -> e.getKey().equalsIgnoreCase(name)
                        || e.getKey().toLowerCase(Locale.ROOT).endsWith("." + name.toLowerCase(Locale.ROOT)))
                .findFirst()
                .flatMap(e -> proposal(e.getValue(), 0.99, "in the form's field “" + e.getKey() + "”"));
    }

    private static final class TooLong extends RuntimeException {
        private static final long serialVersionUID = 1L;

        TooLong() {
            super("the expression looks at the text without end", null, false, false);
        }
    }

    /** Text that gives up when it is looked at too often, so that no expression can hold up the machine. */
    private static final class Bounded implements CharSequence {

        private final CharSequence text;
        private int steps;

        Bounded(CharSequence text) {
            this.text = text;
        }

        @Override
        public int length() {
            return text.length();
        }

        @Override
        public char charAt(int index) {
            if (++steps > MOST_STEPS) {
                throw new TooLong();
            }
            return text.charAt(index);
        }

        @Override
        public CharSequence subSequence(int start, int end) {
            return text.subSequence(start, end);
        }

        @Override
        public String toString() {
            return text.toString();
        }
    }
}
