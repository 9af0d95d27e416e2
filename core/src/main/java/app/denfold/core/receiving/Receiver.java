package app.denfold.core.receiving;

import app.denfold.core.people.RelationKind;
import java.util.Arrays;
import java.util.regex.Pattern;

/**
 * Somebody who must receive the papers of a type, as it is set up.
 *
 * @param code of a relation the name of its {@link RelationKind}, of an outsider the id, of a role its name; empty for the person
 */
public record Receiver(Who who, String code) {

    private static final Pattern UUID = Pattern.compile("\\p{XDigit}{8}(-\\p{XDigit}{4}){3}-\\p{XDigit}{12}");

    /** What it is that says who receives. */
    public enum Who {
        /** The person whose file it is. */
        PERSON,
        /** All who are something to the person, such as the insurers. */
        RELATION,
        /** One who is the same for all files, such as an authority. */
        OUTSIDER,
        /** The colleague who signs in this role. */
        ROLE
    }

    /** @throws IllegalArgumentException with words for the person who set it up, when it cannot be so */
    public Receiver {
        if (who == null) {
            throw new IllegalArgumentException("Say who must receive it");
        }
        code = code == null ? "" : code.strip();
        boolean isKnown =
                switch (who) {
                    case PERSON -> code.isEmpty();
                    case RELATION -> {
                        String kind = code;
                        yield Arrays.stream(RelationKind.values())
                                .anyMatch(k -> k.name().equals(kind));
                    }
                    case OUTSIDER -> UUID.matcher(code).matches();
                    case ROLE -> !code.isEmpty();
                };
        if (!isKnown) {
            throw new IllegalArgumentException("Nobody is meant by “" + code + "”");
        }
    }

    public static Receiver person() {
        return new Receiver(Who.PERSON, "");
    }

    public static Receiver relation(RelationKind kind) {
        return new Receiver(Who.RELATION, kind.name());
    }
}
