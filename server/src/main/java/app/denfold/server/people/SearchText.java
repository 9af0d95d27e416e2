package app.denfold.server.people;

import java.text.Normalizer;
import java.util.Locale;

/** The text by which a person is found: names, number and birth date, without case and accents. */
final class SearchText {

    private SearchText() {}

    static String of(PersonFile file) {
        String birth = file.birthDate() == null ? "" : file.birthDate().toString();
        return plain(String.join(
                " ",
                file.givenName(),
                file.familyName(),
                file.givenName(),
                file.number(),
                birth,
                file.team() == null ? "" : file.team(),
                file.email() == null ? "" : file.email()));
    }

    static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replace('ø', 'o')
                .replace('ł', 'l')
                .replace("ß", "ss")
                .replaceAll("\\s+", " ")
                .strip();
    }
}
