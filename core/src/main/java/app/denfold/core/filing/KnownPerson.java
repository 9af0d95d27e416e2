package app.denfold.core.filing;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a practice knows of a person whose paper it may be.
 *
 * @param id of the file
 * @param number of the file, as printed
 * @param formerNames family names borne earlier
 * @param identifiers other numbers of this person alone, such as an insurance number
 * @param addresses mail addresses of the person and of those who write for him
 * @param subject what the file is about; the practice and its places are named in the family name
 */
public record KnownPerson(
        String id,
        String number,
        String givenName,
        String familyName,
        List<String> formerNames,
        @Nullable LocalDate birthDate,
        List<String> identifiers,
        List<String> addresses,
        Subject subject) {

    public KnownPerson {
        formerNames = List.copyOf(formerNames);
        identifiers = List.copyOf(identifiers);
        addresses = List.copyOf(addresses);
    }

    public static KnownPerson of(
            String id, String number, String givenName, String familyName, @Nullable LocalDate birthDate) {
        return new KnownPerson(
                id, number, givenName, familyName, List.of(), birthDate, List.of(), List.of(), Subject.PERSON);
    }

    String name() {
        return (givenName + " " + familyName).strip();
    }
}
