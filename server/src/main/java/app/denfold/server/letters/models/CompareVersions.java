package app.denfold.server.letters.models;

import app.denfold.core.letters.RichText;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.ModelWords.Block;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.letters.ModelWords.Question;
import app.denfold.server.letters.ModelWords.Sheet;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What a version of a model changes, word by word. */
final class CompareVersions {

    private static final Pattern TOKEN = Pattern.compile("\\s+|[\\p{L}\\p{N}]+|[^\\s\\p{L}\\p{N}]");

    private CompareVersions() {}

    enum What {
        KEPT,
        ADDED,
        REMOVED
    }

    /** Words that follow each other and were all kept, added or removed. */
    record WordRun(What what, String text) {}

    /**
     * A part of the model that is not as it was.
     *
     * @param what {@code KEPT} for one that was changed
     * @param name of one that can be left out; null for another
     * @param words of both, in the order of reading
     * @param notes what else changed, in sentences
     */
    record ChangedPart(
            String id,
            What what,
            @jakarta.annotation.Nullable String name,
            List<WordRun> words,
            List<String> notes) {}

    /** Those parts that differ, in the order of the newer version, then those it no longer has. */
    static List<ChangedPart> parts(ModelWords older, ModelWords newer) {
        Map<String, Block> before = byId(older);
        Map<String, Block> after = byId(newer);
        List<ChangedPart> parts = new ArrayList<>();
        after.forEach((id, block) -> {
            Block was = before.get(id);
            if (!block.equals(was)) {
                parts.add(part(id, was, block));
            }
        });
        before.forEach((id, block) -> {
            if (!after.containsKey(id)) {
                parts.add(part(id, block, null));
            }
        });
        addOnEachPage(parts, "top", lines(older, Sheet::top), lines(newer, Sheet::top));
        addOnEachPage(parts, "foot", lines(older, Sheet::foot), lines(newer, Sheet::foot));
        return parts;
    }

    private static String lines(ModelWords words, Function<Sheet, List<Piece>> of) {
        return words.sheet() == null ? "" : text(of.apply(words.sheet()));
    }

    private static void addOnEachPage(List<ChangedPart> parts, String where, String before, String after) {
        if (!before.equals(after)) {
            String name = "At the " + where + " of each page";
            parts.add(new ChangedPart(where + " of each page", What.KEPT, name, runs(before, after), List.of()));
        }
    }

    /** What is asked more, or no more, in sentences; and whether the parts stand in another order. */
    static List<String> notes(ModelWords older, ModelWords newer) {
        List<String> notes = new ArrayList<>();
        Map<String, Question> before = questions(older);
        Map<String, Question> after = questions(newer);
        after.forEach((code, asked) -> {
            Question was = before.get(code);
            if (was == null) {
                notes.add("“" + asked.label() + "” is asked now.");
            } else if (!was.equals(asked)) {
                notes.add("“" + was.label() + "” is asked otherwise now: “" + asked.label() + "”.");
            }
        });
        before.forEach((code, asked) -> {
            if (!after.containsKey(code)) {
                notes.add("“" + asked.label() + "” is no longer asked.");
            }
        });
        if (!Objects.equals(older.form(), newer.form())) {
            notes.add(newer.form() == null ? "It is no longer put in a form." : "The form, or places on it, changed.");
        }
        Sheet was = sheet(older);
        Sheet is = sheet(newer);
        if (was.head() != is.head()) {
            notes.add(is.head() ? "It begins with the practice’s head now." : "It no longer has the practice’s head.");
        }
        if (was.numbered() != is.numbered()) {
            notes.add(is.numbered() ? "Its pages are numbered now." : "Its pages are no longer numbered.");
        }
        newer.attached().stream()
                .filter(a -> !older.attached().contains(a))
                .forEach(a -> notes.add("“" + a.name() + "” is attached now" + (a.always() ? "." : " where chosen.")));
        older.attached().stream()
                .filter(a -> newer.attached().stream().noneMatch(b -> b.formId().equals(a.formId())))
                .forEach(a -> notes.add("“" + a.name() + "” is no longer attached."));
        if (!order(older, newer).equals(order(newer, older))) {
            notes.add("Parts stand in another order.");
        }
        return notes;
    }

    private static Map<String, Question> questions(ModelWords words) {
        Map<String, Question> all = new LinkedHashMap<>();
        words.asks().forEach(q -> all.put(q.code(), q));
        return all;
    }

    private static Map<String, Block> byId(ModelWords words) {
        Map<String, Block> all = new LinkedHashMap<>();
        words.blocks().forEach(b -> all.put(b.id(), b));
        return all;
    }

    /** Parts of one version that the other has as well. */
    private static List<String> order(ModelWords of, ModelWords other) {
        Map<String, Block> there = byId(other);
        return of.blocks().stream().map(Block::id).filter(there::containsKey).toList();
    }

    private static ChangedPart part(String id, @Nullable Block was, @Nullable Block is) {
        String name = Objects.requireNonNull(is == null ? was : is).name();
        What what = was == null ? What.ADDED : is == null ? What.REMOVED : What.KEPT;
        List<String> notes = was == null || is == null ? List.of() : notes(was, is);
        return new ChangedPart(id, what, name, runs(text(was), text(is)), notes);
    }

    private static String text(@Nullable Block block) {
        return block == null ? "" : text(block.content());
    }

    private static String text(List<Piece> pieces) {
        return RichText.plain(pieces.stream().map(Piece::asRichText).toList());
    }

    private static Sheet sheet(ModelWords words) {
        return words.sheet() == null ? Sheet.USUAL : words.sheet();
    }

    private static List<String> notes(Block was, Block is) {
        List<String> notes = new ArrayList<>();
        if (was.locked() != is.locked()) {
            notes.add(is.locked() ? "Its words are fixed now." : "Its words can be corrected now.");
        }
        if (was.optional() != is.optional()) {
            notes.add(is.optional() ? "It can be left out now." : "It can no longer be left out.");
        }
        if (!Objects.equals(was.when(), is.when())) {
            notes.add("It is for others than before.");
        }
        if (!Objects.equals(was.name(), is.name())) {
            notes.add("It has another name.");
        }
        if (text(was).equals(text(is)) && !was.content().equals(is.content())) {
            notes.add("Its looks changed, or how facts stand in it.");
        }
        return notes;
    }

    /** All words of both, those removed before those added in their place. */
    static List<WordRun> runs(String before, String after) {
        List<String> old = tokens(before);
        List<String> now = tokens(after);
        List<WordRun> runs = new ArrayList<>();
        int at = 0;
        for (AbstractDelta<String> delta : DiffUtils.diff(old, now).getDeltas()) {
            add(runs, What.KEPT, old.subList(at, delta.getSource().getPosition()));
            add(runs, What.REMOVED, delta.getSource().getLines());
            add(runs, What.ADDED, delta.getTarget().getLines());
            at = delta.getSource().getPosition() + delta.getSource().size();
        }
        add(runs, What.KEPT, old.subList(at, old.size()));
        return runs;
    }

    private static List<String> tokens(String text) {
        return TOKEN.matcher(text).results().map(MatchResult::group).toList();
    }

    private static void add(List<WordRun> runs, What what, List<String> tokens) {
        if (!tokens.isEmpty()) {
            runs.add(new WordRun(what, tokens.stream().collect(Collectors.joining())));
        }
    }
}
