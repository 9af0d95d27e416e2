package app.denfold.server.people;

import app.denfold.server.people.candidates.FindCandidates;
import java.text.Normalizer;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.query.EscapeCharacter;

/** The text by which a person is found: names, number and birth date, without case and accents. */
public final class SearchText {

    private static final EscapeCharacter ESCAPE = EscapeCharacter.of('!');

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
                file.email() == null ? "" : file.email(),
                String.join(" ", file.formerNames()),
                // as they are written, for whoever types them, and as one word, for finding them in papers
                String.join(" ", file.identifiers()),
                String.join(
                        " ",
                        file.identifiers().stream()
                                .map(FindCandidates::asOneWord)
                                .toList())));
    }

    /** A pattern for SQL's {@code like} with {@code !} as its escape, for texts that hold the typed one. */
    public static String containing(@Nullable String typed) {
        return "%" + literally(plain(typed == null ? "" : typed.length() > 200 ? typed.substring(0, 200) : typed))
                + "%";
    }

    /** As part of a pattern for SQL's {@code like} with {@code !} as its escape, in which every letter stands for itself. */
    public static String literally(String text) {
        return Objects.requireNonNull(ESCAPE.escape(text));
    }

    /** Without case, accents and doubled spaces. */
    public static String plain(String text) {
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
