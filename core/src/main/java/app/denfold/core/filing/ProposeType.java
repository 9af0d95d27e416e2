package app.denfold.core.filing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What a paper is: by a code, by the words its type goes by, by what was learned from papers filed before. */
public final class ProposeType {

    private static final String NONE = "";
    private static final double LEAST = 0.08;
    /** How much likeness counts for a type while another one is named at the head. */
    private static final double BESIDE_A_NAME = 0.6;

    private static final double SURE = 0.6;
    private static final double AHEAD = 0.2;

    private ProposeType() {}

    /** @param names what the type is called and its synonyms */
    public record KnownType(String code, List<String> names) {}

    /**
     * A type that came with a paper.
     *
     * @param isAskedFor whether the one who sent it was asked for just that, rather than a desk's usual type
     */
    public record Given(String code, boolean isAskedFor) {}

    /**
     * The types it may be, best first; at most one is preselected.
     *
     * @param given the type that came with it; null when none
     */
    public static List<Proposal<String>> propose(
            Clues clues, Collection<KnownType> types, TypeWords.Learned learned, @Nullable Given given) {
        Optional<Clues.Coded> coded =
                clues.firstCoverCode().filter(c -> c.code().type() != null);
        String head = " " + PlainText.of(head(clues)) + " ";
        String text = " " + PlainText.of(clues.text()) + " ";
        Map<String, Double> byLearning = byLearning(TypeWords.of(clues.text()), learned);
        List<Proposal<String>> proposals = new ArrayList<>();
        Set<String> atHead = types.stream()
                .filter(t -> named(t, head).isPresent())
                .map(KnownType::code)
                .collect(Collectors.toSet());
        for (KnownType type : types) {
            // what a paper says of itself goes before what it looks like
            double belief = atHead.isEmpty() || atHead.contains(type.code()) ? 1 : BESIDE_A_NAME;
            proposal(type, coded, head, text, byLearning, belief, learned, given)
                    .ifPresent(proposals::add);
        }
        return Proposal.ranked(proposals, SURE, AHEAD);
    }

    /** The first lines, where papers say what they are. */
    private static String head(Clues clues) {
        return clues.pages().stream()
                .filter(p -> !p.text().isBlank())
                .findFirst()
                .map(p -> String.join(
                        "\n",
                        p.text().lines().filter(l -> !l.isBlank()).limit(6).toList()))
                .orElse("");
    }

    private static Optional<Proposal<String>> proposal(
            KnownType type,
            Optional<Clues.Coded> coded,
            String head,
            String text,
            Map<String, Double> byLearning,
            double belief,
            TypeWords.Learned learned,
            @Nullable Given given) {
        double fails = 1;
        List<String> reasons = new ArrayList<>();
        if (coded.isPresent() && type.code().equals(coded.get().code().type())) {
            fails *= 0.005;
            reasons.add("so it says " + coded.get().where());
        }
        if (given != null && type.code().equals(given.code())) {
            fails *= given.isAskedFor() ? 0.04 : 0.25;
            reasons.add(given.isAskedFor() ? "it was asked for" : "it came as one");
        }
        Optional<String> inHead = named(type, head);
        Optional<String> inText = inHead.isPresent() ? inHead : named(type, text);
        if (inText.isPresent()) {
            fails *= inHead.isPresent() ? 0.12 : 0.7;
            reasons.add("“" + inText.get() + "” " + (inHead.isPresent() ? "at its head" : "in the text"));
        }
        double learnedShare = byLearning.getOrDefault(type.code(), 0d);
        if (learnedShare >= 0.05) {
            // a type seen only a few times is believed less
            int papers = learned.papers().getOrDefault(type.code(), 0);
            fails *= 1 - 0.97 * belief * learnedShare * papers / (papers + 1.0);
            reasons.add("much like " + papers + (papers == 1 ? " paper" : " papers") + " filed as one");
        }
        double confidence = 1 - fails;
        return confidence < LEAST
                ? Optional.empty()
                : Optional.of(new Proposal<>(type.code(), confidence, String.join("; ", reasons), false));
    }

    /** The longest of its names that the plain text holds as whole words. */
    private static Optional<String> named(KnownType type, String plain) {
        return type.names().stream()
                .filter(n -> !n.isBlank() && plain.contains(" " + PlainText.of(n) + " "))
                .max(Comparator.comparingInt(String::length));
    }

    /**
     * The share of each type: naive Bayes over the presence of words (McCallum and Nigam, 1998) with
     * smoothing. Words of a paper repeat each other, so the evidence is divided by how many words there are beyond ten;
     * without that the shares would be far too sure. Besides the learned types there is “none of them”, in which words
     * are as frequent as over all papers: what only holds common words is of no learned type, so the shares of types sum
     * to less than 1.
     */
    static Map<String, Double> byLearning(Set<String> words, TypeWords.Learned learned) {
        Map<String, Double> scores = new HashMap<>();
        long all =
                learned.papers().values().stream().mapToLong(Integer::longValue).sum();
        List<Map<String, Integer>> known = words.stream()
                .map(w -> learned.counts().get(w))
                .filter(c -> c != null)
                .toList();
        if (all == 0 || known.isEmpty()) {
            return scores;
        }
        double tempered = Math.max(1, known.size() / 10.0);
        learned.papers().forEach((type, papers) -> {
            if (papers > 0) {
                double score = 0;
                for (Map<String, Integer> counts : known) {
                    int in = counts.getOrDefault(type, 0);
                    score += Math.log((in + 0.1) / (papers + 0.2));
                }
                scores.put(type, Math.log((double) papers / all) + score / tempered);
            }
        });
        double none = 0;
        for (Map<String, Integer> counts : known) {
            long in = counts.values().stream().mapToLong(Integer::longValue).sum();
            none += Math.log((in + 0.1) / (all + 0.2));
        }
        scores.put(NONE, Math.log(2.0 / all) + none / tempered);
        double most =
                scores.values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
        scores.replaceAll((type, score) -> Math.exp(score - most));
        double sum = scores.values().stream().mapToDouble(Double::doubleValue).sum();
        scores.replaceAll((type, share) -> share / sum);
        scores.remove(NONE);
        return scores;
    }
}
