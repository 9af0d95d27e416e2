package app.denfold.exchange;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A value together with its place in the input, so that whatever is wrong with it can be told where it stands. */
final class Place {

    private static final Pattern DAY = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");

    private final @Nullable JsonNode node;
    private final String at;

    private Place(@Nullable JsonNode node, String at) {
        this.node = node;
        this.at = at;
    }

    static Place root(JsonNode node) {
        return new Place(node, "");
    }

    BadInput wrong(String message) {
        return new BadInput(message, at);
    }

    /** True when the key was left out or is null. */
    boolean isAbsent() {
        return node == null || node.isNull();
    }

    boolean has(String key) {
        return node != null && node.has(key);
    }

    /** @throws BadInput when this is not an object, or has a key that is not among the allowed ones */
    Place object(String... allowed) {
        if (!present().isObject()) {
            throw wrong("An object is expected here");
        }
        Set<String> known = Set.of(allowed);
        for (String key : node().propertyNames()) {
            if (!known.contains(key)) {
                throw new BadInput("Unknown key " + key, pointer(key));
            }
        }
        return this;
    }

    Place at(String key) {
        return new Place(node().get(key), pointer(key));
    }

    private String pointer(String key) {
        return at + "/" + key.replace("~", "~0").replace("/", "~1");
    }

    private JsonNode node() {
        return present();
    }

    private JsonNode present() {
        if (node == null || node.isNull()) {
            throw wrong("A value is missing here");
        }
        return node;
    }

    /** The entries of a list; empty when absent. */
    List<Place> items() {
        if (isAbsent()) {
            return List.of();
        }
        if (!node().isArray()) {
            throw wrong("A list is expected here");
        }
        List<Place> items = new ArrayList<>();
        for (int i = 0; i < node().size(); i++) {
            items.add(new Place(node().get(i), at + "/" + i));
        }
        return items;
    }

    <T> List<T> items(Function<Place, T> reader) {
        List<T> result = new ArrayList<>();
        items().forEach(item -> result.add(reader.apply(item)));
        return result;
    }

    /** Reads items that have a text of their own each, such as a code, and refuses the second with the same one. */
    <T> Map<String, T> itemsBy(String key, Function<Place, T> reader) {
        Map<String, T> result = new LinkedHashMap<>();
        for (Place item : items()) {
            T read = reader.apply(item);
            String code = item.at(key).text();
            if (result.put(code, read) != null) {
                throw item.at(key).wrong("There is already one called " + code);
            }
        }
        return result;
    }

    String text() {
        if (!present().isString()) {
            throw wrong("A text is expected here");
        }
        String text = node().stringValue();
        if (text.isBlank()) {
            throw wrong("A text cannot be empty here");
        }
        return text;
    }

    int wholeNumber() {
        if (!present().isIntegralNumber() || !node().canConvertToInt()) {
            throw wrong("A whole number is expected here");
        }
        return node().intValue();
    }

    int wholeNumber(int least, int most) {
        int number = wholeNumber();
        if (number < least || number > most) {
            throw wrong("A number from " + least + " to " + most + " is expected here, not " + number);
        }
        return number;
    }

    boolean yesNo() {
        if (!present().isBoolean()) {
            throw wrong("true or false is expected here");
        }
        return node().booleanValue();
    }

    LocalDate day() {
        String text = text();
        if (!DAY.matcher(text).matches()) {
            throw wrong("A day such as 2026-11-25 is expected here, not " + text);
        }
        return checked(() -> LocalDate.parse(text), "There is no day " + text);
    }

    @Nullable
    LocalDate dayOrNull() {
        return isAbsent() ? null : day();
    }

    /** The value as a text, a number or yes/no. */
    Object scalar() {
        JsonNode value = present();
        if (value.isString()) {
            return value.stringValue();
        }
        if (value.isBoolean()) {
            return value.booleanValue();
        }
        if (value.isNumber()) {
            return new BigDecimal(value.asString());
        }
        throw wrong("A text, a number, true or false is expected here");
    }

    /** Runs a maker and tells its refusal at this place. */
    <T> T checked(Supplier<T> maker) {
        try {
            return maker.get();
        } catch (IllegalArgumentException | DateTimeException | ArithmeticException refused) {
            throw wrong(String.valueOf(refused.getMessage()));
        }
    }

    <T> T checked(Supplier<T> maker, String message) {
        try {
            return maker.get();
        } catch (DateTimeException refused) {
            throw wrong(message);
        }
    }
}
