package app.denfold.core.letters;

import app.denfold.core.rules.Condition;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/** Makes a letter of a model, what is known of a file, and what its writer answered, left out and corrected. */
public final class FillLetter {

    /** What stands where nothing is known. */
    private static final String OPEN = "…………";

    private final Map<String, LetterValue> known;
    private final Map<String, AskedFor.Kind> kinds;
    private final Predicate<Condition> holds;
    private final WriteValue write;

    /**
     * @param known by name
     * @param kinds of what a file can know, by name, whether it is known of this one or not
     * @param holds whether a condition holds for the person, on the day the letter takes effect
     * @param money in which amounts are written
     */
    public FillLetter(
            Map<String, LetterValue> known,
            Map<String, AskedFor.Kind> kinds,
            Predicate<Condition> holds,
            Locale language,
            Currency money) {
        this.known = Map.copyOf(known);
        this.kinds = Map.copyOf(kinds);
        this.holds = holds;
        this.write = new WriteValue(language, money);
    }

    /**
     * What the writer did.
     *
     * @param answers by name, to what is asked and to what the file does not know; blank ones count as none
     * @param leftOut ids of blocks
     * @param corrected what stands in a block instead, by its id; of locked and unknown blocks it is not heeded
     */
    public record Writing(Map<String, String> answers, Set<String> leftOut, Map<String, List<RichText>> corrected) {
        public Writing {
            answers = Map.copyOf(answers);
            leftOut = Set.copyOf(leftOut);
            corrected = Map.copyOf(corrected);
            corrected.values().forEach(LetterBlock::requireWhole);
            LetterModel.requireFewPictures(
                    corrected.values().stream().flatMap(List::stream).flatMap(RichText::all));
        }

        public static Writing nothing() {
            return new Writing(Map.of(), Set.of(), Map.of());
        }
    }

    /**
     * A block as it stands in the letter.
     *
     * @param differs whether the writer corrected it, for this letter only
     * @param content without places
     */
    public record Filled(LetterBlock block, boolean isLeftOut, boolean differs, List<RichText> content) {

        /** What is read in it, without its looks; nothing of what is left out, or stands open. */
        public String plain() {
            return isLeftOut
                    ? ""
                    : RichText.plain(content.stream().map(Filled::known).toList());
        }

        private static RichText known(RichText piece) {
            return piece.with(piece.content().stream()
                    .filter(inner -> !inner.marks().contains(RichText.Mark.OPEN))
                    .map(Filled::known)
                    .toList());
        }
    }

    /**
     * Something that is not known.
     *
     * @param problem why an answer cannot stand there; null when there is none
     */
    public record Missing(
            String name, boolean mustBeKnown, @Nullable String problem) {}

    /**
     * A letter.
     *
     * @param blocks those that are for this person, in the order of the page
     * @param sheet what stands on each page beside them
     * @param missing what stands open in it, each once, in the order of the page
     */
    public record Letter(List<Filled> blocks, LetterSheet sheet, List<Missing> missing) {

        /** What is on the page, block by block. */
        public List<RichText> content() {
            return blocks.stream()
                    .filter(b -> !b.isLeftOut)
                    .flatMap(b -> b.content.stream())
                    .toList();
        }

        /** Whether nothing is missing that must be known. */
        public boolean isReady() {
            return missing.stream().noneMatch(m -> m.mustBeKnown || m.problem != null);
        }
    }

    public Letter fill(LetterModel model, Writing writing) {
        Map<String, String> problems = new HashMap<>();
        Map<String, LetterValue> values = new HashMap<>(known);
        values.putAll(answered(model, writing, problems));
        Map<String, Missing> missing = new LinkedHashMap<>();
        List<Filled> blocks = new ArrayList<>();
        for (LetterBlock block : model.blocks()) {
            if (block.when() != null && !holds.test(block.when())) {
                continue;
            }
            boolean isLeftOut = block.optional() && writing.leftOut.contains(block.id());
            List<RichText> correction = block.locked() ? null : writing.corrected.get(block.id());
            List<RichText> words = correction == null ? block.content() : correction;
            Map<String, Missing> here = isLeftOut ? new HashMap<>() : missing;
            List<RichText> content = words.stream()
                    .map(piece -> filled(piece, values, problems, here))
                    .toList();
            blocks.add(new Filled(block, isLeftOut, correction != null, content));
        }
        LetterSheet sheet = new LetterSheet(
                model.sheet().head(),
                shortened(model.sheet().top(), values, problems, missing),
                shortened(model.sheet().foot(), values, problems, missing),
                model.sheet().numbered());
        return new Letter(List.copyOf(blocks), sheet, List.copyOf(missing.values()));
    }

    /** What there is room for; a fact may be longer than whoever wrote the model expected. */
    private List<RichText> shortened(
            List<RichText> pieces,
            Map<String, LetterValue> values,
            Map<String, String> problems,
            Map<String, Missing> missing) {
        List<RichText> all = pieces.stream()
                .map(piece -> filled(piece, values, problems, missing))
                .toList();
        return LetterSheet.inRoom(all);
    }

    private Map<String, LetterValue> answered(LetterModel model, Writing writing, Map<String, String> problems) {
        Map<String, AskedFor.Kind> asked = new HashMap<>(kinds);
        model.asks().forEach(a -> asked.put(a.name(), a.kind()));
        Map<String, LetterValue> values = new HashMap<>();
        writing.answers.forEach((name, answer) -> {
            if (answer.isBlank()) {
                return;
            }
            try {
                values.put(name, AskedFor.read(asked.getOrDefault(name, AskedFor.Kind.TEXT), answer));
            } catch (IllegalArgumentException unreadable) {
                problems.put(name, Objects.requireNonNull(unreadable.getMessage()));
            }
        });
        return values;
    }

    private RichText filled(
            RichText piece,
            Map<String, LetterValue> values,
            Map<String, String> problems,
            Map<String, Missing> missing) {
        if (piece.place() == null) {
            return piece.with(piece.content().stream()
                    .map(inner -> filled(inner, values, problems, missing))
                    .toList());
        }
        Place place = piece.place();
        Reckoning reckoning = Reckoning.of(place.what());
        try {
            LetterValue value = reckoning.value(values);
            if (value != null) {
                return words(piece, write.write(value, place.format()), false);
            }
        } catch (IllegalArgumentException impossible) {
            note(missing, new Missing(place.what(), true, Objects.requireNonNull(impossible.getMessage())));
            return words(piece, OPEN, true);
        }
        if (place.otherwise() != null && !place.mustBeKnown()) {
            return words(piece, place.otherwise(), false);
        }
        reckoning.names().stream()
                .filter(name -> !values.containsKey(name))
                .forEach(name -> note(missing, new Missing(name, place.mustBeKnown(), problems.get(name))));
        return words(piece, OPEN, true);
    }

    /** Of two places with the same name, the stricter one counts. */
    private static void note(Map<String, Missing> missing, Missing one) {
        missing.merge(one.name, one, (a, b) -> a.mustBeKnown ? a : b);
    }

    private static RichText words(RichText place, String text, boolean isOpen) {
        Set<RichText.Mark> marks = place.marks();
        if (isOpen) {
            marks = new HashSet<>(marks);
            marks.add(RichText.Mark.OPEN);
        }
        String safe = PlainLetters.of(text);
        return new RichText(
                RichText.Type.WORDS,
                safe.length() > RichText.LONGEST ? safe.substring(0, RichText.LONGEST) : safe,
                marks,
                0,
                null,
                List.of());
    }
}
