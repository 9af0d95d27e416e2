package app.denfold.server.letters.writing;

import app.denfold.core.letters.FillLetter.Writing;
import app.denfold.core.letters.RichText;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.problems.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;

/**
 * What the writer of a letter did.
 *
 * @param answers by name
 * @param leftOut ids of blocks
 * @param corrected what stands in a block instead, by its id
 * @param attached ids of what the model offers to attach
 * @param papers ids of papers of the file that are attached, in their order
 */
public record WrittenSoFar(
        @NotNull Map<String, @NotNull String> answers,
        @NotNull List<@NotNull String> leftOut,
        @NotNull Map<String, @NotNull List<@NotNull @Valid Piece>> corrected,
        @NotNull List<@NotNull UUID> attached,
        @NotNull List<@NotNull UUID> papers) {

    static final WrittenSoFar NOTHING = new WrittenSoFar(Map.of(), List.of(), Map.of(), List.of(), List.of());

    private static final int MOST = 500;
    private static final int MOST_PAPERS = 50;

    /** What was written before anything could be attached says nothing of it. */
    public WrittenSoFar {
        attached = attached == null ? List.of() : attached;
        papers = papers == null ? List.of() : papers;
    }

    /** The same with these answers as well. */
    public WrittenSoFar with(Map<String, String> more) {
        Map<String, String> all = new HashMap<>(answers);
        all.putAll(more);
        return new WrittenSoFar(all, leftOut, corrected, attached, papers);
    }

    /** The same with an answer less. */
    WrittenSoFar without(String name) {
        Map<String, String> others = new HashMap<>(answers);
        others.remove(name);
        return new WrittenSoFar(others, leftOut, corrected, attached, papers);
    }

    /** @throws Refusal in words, when it cannot be so */
    public Writing asWriting() {
        if (answers.size() > MOST || leftOut.size() > MOST || corrected.size() > MOST) {
            throw Refusal.invalid("answers", "A letter holds up to " + MOST + " answers and corrections.");
        }
        if (attached.size() > MOST_PAPERS || papers.size() > MOST_PAPERS) {
            throw Refusal.invalid("papers", "You can attach up to " + MOST_PAPERS + " papers.");
        }
        Map<String, List<RichText>> texts = new HashMap<>();
        try {
            corrected.forEach((id, pieces) ->
                    texts.put(id, pieces.stream().map(Piece::asRichText).toList()));
            Set<String> out = new HashSet<>(leftOut);
            return new Writing(answers, out, texts);
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("corrected", wrong.getMessage() + ".");
        }
    }
}
