package app.denfold.core.filing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A type's pattern for the names of its documents, such as {@code {type}, {document date}, {person}, {pending}}.
 * Parts are separated by commas; a part whose placeholder has no value is left out as a whole.
 */
public final class NamePattern {

    private static final Pattern PLACEHOLDER = Pattern.compile("\\{([^{}]*)}");
    private static final Set<String> KNOWN = Set.of("type", "document date", "person", "pending");

    /** The pattern of a type that has none of its own. */
    public static final NamePattern DEFAULT = parse("{type}, {document date}, {person}, {pending}");

    private final List<String> parts;

    private NamePattern(List<String> parts) {
        this.parts = parts;
    }

    /** @throws IllegalArgumentException when it is blank or holds a placeholder that is not known */
    public static NamePattern parse(String pattern) {
        if (pattern.isBlank()) {
            throw new IllegalArgumentException("A naming pattern cannot be empty");
        }
        Matcher matcher = PLACEHOLDER.matcher(pattern);
        while (matcher.find()) {
            String name = matcher.group(1);
            if (!KNOWN.contains(name) && !name.matches("field \\S.*")) {
                throw new IllegalArgumentException("A naming pattern does not know {" + name + "}");
            }
        }
        List<String> parts = new ArrayList<>();
        for (String part : pattern.split(",")) {
            parts.add(part.strip());
        }
        return new NamePattern(List.copyOf(parts));
    }

    /**
     * What a name is made of.
     *
     * @param person as written in names, such as {@code Korhola T}
     * @param pending what is still missing, such as {@code unsigned by manager}; empty when nothing is
     * @param fields values of the type's fields by name
     */
    public record Ingredients(
            String type, @Nullable LocalDate documentDate, String person, String pending, Map<String, String> fields) {}

    /**
     * The name without an ending, safe for every file system and not yet taken.
     *
     * @param taken names in the same file, compared without regard to case; a number in brackets is added if needed
     */
    public String name(Ingredients from, Set<String> taken) {
        List<String> filled = new ArrayList<>();
        for (String part : parts) {
            fill(part, from).filter(text -> !text.isBlank()).ifPresent(filled::add);
        }
        return FileNames.unique(FileNames.safe(String.join(", ", filled)), taken);
    }

    private static Optional<String> fill(String part, Ingredients from) {
        Matcher matcher = PLACEHOLDER.matcher(part);
        StringBuilder text = new StringBuilder();
        while (matcher.find()) {
            String value = value(matcher.group(1), from);
            if (value.isBlank()) {
                return Optional.empty();
            }
            matcher.appendReplacement(text, Matcher.quoteReplacement(value));
        }
        return Optional.of(matcher.appendTail(text).toString());
    }

    private static String value(String placeholder, Ingredients from) {
        return switch (placeholder) {
            case "type" -> from.type();
            case "document date" ->
                from.documentDate() == null ? "" : from.documentDate().toString();
            case "person" -> from.person();
            case "pending" -> from.pending();
            default -> from.fields().getOrDefault(placeholder.substring("field ".length()), "");
        };
    }
}
