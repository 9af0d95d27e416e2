package app.denfold.server.finding;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.finding.WantedWords;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * What papers must be like to be found. Everything that is given must hold; of a list one value is enough.
 *
 * @param words one line of words as {@link WantedWords#typed} reads it
 * @param anyOf words of which one must be there
 * @param exact words that must follow each other as written
 * @param without words of which none may be there
 * @param name words of the paper's name, its types or its person, from their beginning
 * @param person words of the person's name, number or birth date
 * @param states {@code filed}, {@code in review}, {@code sent back}, {@code unsigned}, {@code awaited} or
 *     {@code entered in error}
 * @param sources as papers tell where they came from
 * @param facts what the person's facts say today
 * @param fields what the fields of the paper's types hold
 * @param datedFrom inclusive, as all ends are
 * @param leastSize in bytes
 * @param reviewer the account with which they wait for review
 * @param unreadable only papers with pages that hold no readable text
 */
public record FindCriteria(
        @Nullable String words,
        @Nullable String anyOf,
        @Nullable String exact,
        @Nullable String without,
        @Nullable String name,
        @Nullable String person,
        @Nullable List<String> kinds,
        @Nullable List<String> teams,
        @Nullable List<String> sections,
        @Nullable List<String> types,
        @Nullable List<DocumentState> states,
        @Nullable List<String> sources,
        @Nullable List<String> filedBy,
        @Nullable List<Named> facts,
        @Nullable List<Named> fields,
        @Nullable LocalDate datedFrom,
        @Nullable LocalDate datedTo,
        @Nullable LocalDate receivedFrom,
        @Nullable LocalDate receivedTo,
        @Nullable LocalDate storedFrom,
        @Nullable LocalDate storedTo,
        @Nullable Integer leastPages,
        @Nullable Integer mostPages,
        @Nullable Long leastSize,
        @Nullable Long mostSize,
        @Nullable Boolean unreadable,
        @Nullable UUID reviewer) {

    /** A fact or field and the text its value must hold. */
    public record Named(String name, String value) {}

    /** Papers with these words and nothing else asked. */
    static FindCriteria ofWords(@Nullable String words) {
        return new FindCriteria(
                words, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null,
                null, null, null, null, null, null, null, null, null, null);
    }

    /** @throws Refusal at the first thing that cannot be */
    void check() {
        requireOrder("datedTo", datedFrom, datedTo);
        requireOrder("receivedTo", receivedFrom, receivedTo);
        requireOrder("storedTo", storedFrom, storedTo);
        if (leastPages != null && mostPages != null && mostPages < leastPages) {
            throw Refusal.invalid("mostPages", "The most pages are fewer than the least.");
        }
        if (leastSize != null && mostSize != null && mostSize < leastSize) {
            throw Refusal.invalid("mostSize", "The greatest size is less than the least.");
        }
        Stream.of(kinds, teams, sections, types, states, sources, filedBy, facts, fields)
                .filter(list -> list != null && list.size() > 100)
                .findFirst()
                .ifPresent(list -> {
                    throw Refusal.invalid("criteria", "Choose at most 100 values of one kind.");
                });
    }

    private static void requireOrder(String field, @Nullable LocalDate from, @Nullable LocalDate to) {
        if (from != null && to != null && to.isBefore(from)) {
            throw Refusal.invalid(field, "The last day lies before the first.");
        }
    }

    /** @throws Refusal when more is typed than can be searched for */
    WantedWords wanted() {
        WantedWords wanted = typed("words", words);
        if (given(anyOf)) {
            WantedWords any = typed("anyOf", anyOf);
            wanted = wanted.and(new WantedWords(
                    List.of(),
                    List.of(Stream.concat(any.all().stream(), any.exact().stream())
                            .toList()),
                    List.of(),
                    List.of()));
        }
        if (exact != null && given(exact)) {
            requireShort("exact", exact);
            String plain = exact.replaceAll("[\"“”„]", " ");
            wanted = wanted.and(new WantedWords(List.of(), List.of(), List.of(plain), List.of()));
        }
        if (given(without)) {
            WantedWords none = typed("without", without);
            wanted = wanted.and(new WantedWords(
                    List.of(),
                    List.of(),
                    List.of(),
                    Stream.of(none.all(), none.exact(), none.without())
                            .flatMap(List::stream)
                            .toList()));
        }
        return wanted;
    }

    private static WantedWords typed(String field, @Nullable String text) {
        try {
            return text == null ? WantedWords.nothing() : WantedWords.typed(text);
        } catch (IllegalArgumentException tooLong) {
            throw Refusal.invalid(field, tooLong.getMessage());
        }
    }

    static void requireShort(String field, @Nullable String text) {
        if (text != null && text.length() > WantedWords.MOST_LETTERS) {
            throw Refusal.invalid(
                    field,
                    "Up to " + WantedWords.MOST_LETTERS + " letters can be searched for; these are " + text.length()
                            + ".");
        }
    }

    static boolean given(@Nullable String text) {
        return text != null && !text.isBlank();
    }

    static boolean given(@Nullable List<?> values) {
        return values != null && !values.isEmpty();
    }

    /** The words of a text, plain enough to be beginnings of indexed words. */
    static List<String> beginnings(@Nullable String text) {
        return Arrays.stream((text == null ? "" : text).split("[^\\p{L}\\p{N}]+"))
                .filter(w -> !w.isEmpty())
                .limit(12)
                .toList();
    }
}
