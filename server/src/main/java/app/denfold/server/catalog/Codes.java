package app.denfold.server.catalog;

import java.text.Normalizer;
import java.util.Locale;

/** Codes by which types, checklists and sections are kept and exchanged. */
public final class Codes {

    private Codes() {}

    public static boolean isCode(String text) {
        return text.matches("[a-z][a-z0-9-]{0,59}");
    }

    /** A code made of a name: {@code First aid certificate} becomes {@code first-aid-certificate}. */
    public static String of(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^[^a-z]+|-+$", "");
        String code = plain.length() > 60 ? plain.substring(0, 60) : plain;
        return code.isEmpty() ? "x" : code;
    }

    /** A name made of a code: {@code first-aid} becomes {@code First aid}. */
    public static String label(String code) {
        String words = code.replace('-', ' ');
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
