package app.denfold.core.notices;

import app.denfold.core.people.RelationKind;
import org.jspecify.annotations.Nullable;

/** Whom a step of a plan tells. */
public sealed interface Who {

    /** The person, or for a child the guardians. */
    record ThePerson() implements Who {}

    /** Those who are this to the person. */
    record Related(RelationKind kind) implements Who {}

    /** Whoever is in charge of the person, as facts and relations of the file say. */
    record Supervisor() implements Who {}

    /** A colleague. @param account id */
    record Colleague(String account) implements Who {}

    /** Somebody outside. */
    record Outside(String name, String address) implements Who {}

    /** Nobody by mail: it stands in Today. @param account whose; null for all who may see the file */
    record Task(@Nullable String account) implements Who {}
}
