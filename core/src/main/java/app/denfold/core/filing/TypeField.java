package app.denfold.core.filing;

import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;

/**
 * A field of a document type, such as a policy number: what it is called, and by what its value is found on a paper.
 *
 * @param name unique within the type, of 1 to 40 characters, without braces
 * @param sign the words it follows, the shape of its value as a regular expression, or the name of the form's field; for
 *     a code an optional shape; empty for one that is typed by hand
 */
public record TypeField(String name, Found found, String sign) {

    /** By what its value is found. */
    public enum Found {
        /** It is typed. */
        BY_HAND,
        /** It stands behind certain words, on the same line or on the next. */
        AFTER_WORDS,
        /** It has a certain shape; the first group of the expression is the value, or else the whole match. */
        BY_SHAPE,
        /** A bar code or square code holds it. */
        IN_CODE,
        /** A field of a fillable PDF holds it. */
        IN_FORM
    }

    /** @throws IllegalArgumentException with words for the person who set it up, when it cannot be so */
    public TypeField {
        name = name == null ? "" : name.strip();
        sign = sign == null ? "" : sign.strip();
        if (name.isEmpty() || name.length() > 40 || name.matches(".*[{},\\r\\n].*")) {
            throw new IllegalArgumentException(
                    "A field needs a name of at most 40 characters, without commas and braces");
        }
        if (found == null) {
            throw new IllegalArgumentException("Say by what “" + name + "” is found");
        }
        if (sign.isEmpty() && found != Found.BY_HAND && found != Found.IN_CODE) {
            throw new IllegalArgumentException("Say by what “" + name + "” is found on a paper");
        }
        if (sign.length() > 200) {
            throw new IllegalArgumentException("What “" + name + "” is found by has more than 200 characters");
        }
        if (found == Found.BY_SHAPE || found == Found.IN_CODE) {
            shape(name, sign);
        }
    }

    private static void shape(String name, String sign) {
        try {
            Pattern.compile(sign);
        } catch (PatternSyntaxException wrong) {
            throw new IllegalArgumentException(
                    "The shape of “" + name + "” is no regular expression: " + wrong.getDescription());
        }
    }
}
