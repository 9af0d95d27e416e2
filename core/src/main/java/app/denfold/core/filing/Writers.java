package app.denfold.core.filing;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Who wrote a paper, as far as that is known of it: a field that names its writer, and whoever signed it in a role that is
 * somebody else's than the person's, such as the physician.
 */
public final class Writers {

    private static final Set<String> WRITING = Set.of(
            "author",
            "writer",
            "written by",
            "issuer",
            "issued by",
            "sender",
            "from",
            "doctor",
            "physician",
            "hospital",
            "instructor",
            "trainer",
            "authority",
            "verfasser",
            "verfasst von",
            "ausgestellt von",
            "aussteller",
            "absender",
            "arzt",
            "arztin");

    /** What somebody is to a person who writes about them; whoever signs for a person wrote nothing. */
    private static final Set<String> RELATIONS = Set.of("physician", "referrer", "insurer", "supervisor");

    private Writers() {}

    /** A signature on a paper. */
    public record Signed(String role, String signer) {}

    /** @param fields values of the paper's fields by their names @return each once, those of fields first */
    public static List<String> of(Map<String, String> fields, List<Signed> signatures) {
        Set<String> writers = new LinkedHashSet<>();
        fields.forEach((name, value) -> {
            if (WRITING.contains(PlainText.of(name)) || isWriting(name)) {
                writers.add(value);
            }
        });
        signatures.stream().filter(s -> isRelation(s.role())).forEach(s -> writers.add(s.signer()));
        return new ArrayList<>(writers);
    }

    private static boolean isWriting(String name) {
        String plain = PlainText.of(name);
        return isRelation(plain) || WRITING.stream().anyMatch(w -> plain.equals("name of the " + w));
    }

    private static boolean isRelation(String role) {
        return RELATIONS.contains(role);
    }
}
