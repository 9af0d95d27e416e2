package app.denfold.core.filing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Whose paper it is. Every sign found for a person raises the confidence, signs against him lower it; signs are taken
 * as independent: together they fail only when all of them fail.
 */
public final class ProposePerson {

    /** A proposal below this is not preselected. */
    static final double SURE = 0.8;

    /** How far the first must be ahead of the second to be preselected. */
    static final double AHEAD = 0.25;

    private static final double LEAST = 0.15;

    private final Clues clues;
    private final List<String> words;
    private final Set<String> wordSet;
    private final String spaced;
    private final String squeezed;
    private final List<FoundDates.Found> dates;

    private ProposePerson(Clues clues, FoundDates.Order order) {
        this.clues = clues;
        String text = clues.text();
        this.words = PlainText.words(text);
        this.wordSet = new HashSet<>(words);
        this.spaced = " " + String.join(" ", words) + " ";
        this.squeezed = text.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
        this.dates = FoundDates.in(text, order);
    }

    private record Sign(double weight, String reason) {}

    /**
     * The persons it may be, best first. At most one is preselected: one that is sure and well ahead of every other.
     *
     * @param people who may be meant; others are never proposed
     */
    public static List<Proposal<String>> propose(Clues clues, Collection<KnownPerson> people, FoundDates.Order order) {
        ProposePerson paper = new ProposePerson(clues, order);
        List<Proposal<String>> proposals = new ArrayList<>();
        for (KnownPerson person : people) {
            paper.proposal(person, people).ifPresent(proposals::add);
        }
        return Proposal.ranked(proposals, SURE, AHEAD);
    }

    private Optional<Proposal<String>> proposal(KnownPerson person, Collection<KnownPerson> people) {
        List<Sign> signs = signs(person, people);
        if (signs.isEmpty()) {
            return Optional.empty();
        }
        double fails = 1;
        for (Sign sign : signs) {
            fails *= 1 - sign.weight;
        }
        double confidence = 1 - fails;
        String reason = String.join("; ", signs.stream().map(Sign::reason).toList());
        Optional<FoundDates.Found> otherBirth = otherBirthDate(person);
        if (otherBirth.isPresent() && signs.stream().noneMatch(s -> s.weight >= 0.97)) {
            confidence *= 0.3;
            reason += "; but “" + otherBirth.get().written() + "” is another birth date";
        }
        return confidence < LEAST
                ? Optional.empty()
                : Optional.of(new Proposal<>(person.id(), Math.min(confidence, 0.999), reason, false));
    }

    private List<Sign> signs(KnownPerson person, Collection<KnownPerson> people) {
        List<Sign> signs = new ArrayList<>();
        numberSign(person).ifPresent(signs::add);
        for (String identifier : person.identifiers()) {
            if (identifier.replaceAll("[^A-Za-z0-9]", "").length() >= 5
                    && squeezed.contains(identifier.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", ""))) {
                signs.add(new Sign(0.97, "identifier ending in " + ending(identifier) + " in the text"));
            }
        }
        Optional<Sign> name = nameSign(person, people);
        name.ifPresent(signs::add);
        birthSign(person, name.isPresent()).ifPresent(signs::add);
        if (clues.sender() != null && person.addresses().stream().anyMatch(a -> a.equalsIgnoreCase(clues.sender()))) {
            signs.add(new Sign(0.7, "sent from " + clues.sender()));
        }
        if (person.id().equals(clues.openFile())) {
            signs.add(new Sign(0.85, "it came for this file"));
        }
        return signs;
    }

    private static String ending(String identifier) {
        return identifier.substring(Math.max(0, identifier.length() - 3));
    }

    private Optional<Sign> numberSign(KnownPerson person) {
        Optional<Clues.Coded> coded = clues.firstCoverCode()
                .filter(c -> person.number().equals(c.code().fileNumber()));
        if (coded.isPresent()) {
            return Optional.of(new Sign(
                    0.995, "number " + person.number() + " " + coded.get().where()));
        }
        for (Clues.PageClues page : clues.pages()) {
            if (page.codes().stream().anyMatch(c -> c.strip().equalsIgnoreCase(person.number()))) {
                return Optional.of(
                        new Sign(0.99, "number " + person.number() + " in the code on page " + page.number()));
            }
        }
        Pattern number = Pattern.compile(
                "(?<![A-Za-z0-9])" + Pattern.quote(person.number()) + "(?![A-Za-z0-9])", Pattern.CASE_INSENSITIVE);
        for (Clues.PageClues page : clues.pages()) {
            if (number.matcher(page.text()).find()) {
                return Optional.of(
                        new Sign(0.97, "number " + person.number() + " in the text on page " + page.number()));
            }
        }
        return Optional.empty();
    }

    /** The practice's own name stands on papers about anybody, so it is no sign. */
    private Optional<Sign> nameSign(KnownPerson person, Collection<KnownPerson> people) {
        if (person.subject() == Subject.PRACTICE) {
            return Optional.empty();
        }
        String given = PlainText.of(person.givenName());
        Optional<Sign> now = nameSign(given, PlainText.of(person.familyName()), person, people, "");
        if (now.isPresent() && now.get().weight > 0.4) {
            return now;
        }
        for (String former : person.formerNames()) {
            Optional<Sign> then =
                    nameSign(given, PlainText.of(former), person, people, ", with the former name " + former);
            if (then.isPresent() && then.get().weight > 0.4) {
                return then;
            }
        }
        return now;
    }

    private Optional<Sign> nameSign(
            String given, String family, KnownPerson person, Collection<KnownPerson> people, String besides) {
        if (family.isEmpty()) {
            return Optional.empty();
        }
        String first = given.isEmpty() ? "" : given.split(" ")[0];
        boolean whole = !given.isEmpty()
                && (spaced.contains(" " + given + " " + family + " ")
                        || spaced.contains(" " + family + " " + given + " "));
        if (whole) {
            boolean shared = people.stream().anyMatch(o -> !o.id().equals(person.id()) && likeNamed(o, given, family));
            return Optional.of(new Sign(
                    shared ? 0.5 : 0.9,
                    "the name in the text" + besides + (shared ? ", which somebody else bears as well" : "")));
        }
        if (!first.isEmpty() && near(first, family)) {
            return Optional.of(new Sign(0.72, "a name much like it in the text" + besides));
        }
        if (spaced.contains(" " + family + " ")) {
            return Optional.of(new Sign(
                    !first.isEmpty() && wordSet.contains(first) ? 0.45 : 0.25,
                    "the family name in the text" + besides));
        }
        return Optional.empty();
    }

    private static boolean likeNamed(KnownPerson other, String given, String family) {
        return PlainText.of(other.givenName()).equals(given)
                && PlainText.of(other.familyName()).equals(family);
    }

    /** Given and family name beside each other, in either order, each with the errors of a poor scan. */
    private boolean near(String given, String family) {
        List<String> familyWords = List.of(family.split(" "));
        int length = familyWords.size();
        for (int i = 0; i + length <= words.size(); i++) {
            if (alike(i, familyWords)
                    && ((i > 0 && PlainText.alike(words.get(i - 1), given))
                            || (i > 1 && PlainText.alike(words.get(i - 2), given))
                            || (i + length < words.size() && PlainText.alike(words.get(i + length), given)))) {
                return true;
            }
        }
        return false;
    }

    private boolean alike(int from, List<String> family) {
        for (int i = 0; i < family.size(); i++) {
            if (!PlainText.alike(words.get(from + i), family.get(i))) {
                return false;
            }
        }
        return true;
    }

    private Optional<Sign> birthSign(KnownPerson person, boolean named) {
        LocalDate born = person.birthDate();
        if (born == null) {
            return Optional.empty();
        }
        return dates.stream()
                .filter(d -> d.day().equals(born))
                .findFirst()
                .map(d -> new Sign(named ? 0.93 : 0.4, "the birth date in the text"));
    }

    /** A day that the paper calls a birth date and that is not his, when his is not there. */
    private Optional<FoundDates.Found> otherBirthDate(KnownPerson person) {
        @Nullable LocalDate born = person.birthDate();
        if (born == null || dates.stream().anyMatch(d -> d.day().equals(born))) {
            return Optional.empty();
        }
        return dates.stream().filter(d -> d.role() == FoundDates.Role.BIRTH).findFirst();
    }
}
