package app.denfold.server.finding;

import app.denfold.core.filing.PlainText;
import app.denfold.server.access.Viewer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What somebody meant who typed words that no paper holds; only words of papers the viewer may see are offered. */
@Service
class MeantWords {

    private static final int LONGEST = 200;
    private static final int SHORTEST_WORD = 4;
    private static final int NEAR = 30;

    private final FindQuery query;
    private final FoundPaperStore papers;
    private final WordStore words;

    MeantWords(FindQuery query, FoundPaperStore papers, WordStore words) {
        this.query = query;
        this.papers = papers;
        this.words = words;
    }

    /**
     * @param file in which the words are looked for; null for all papers
     * @param typed as one line; what is quoted or left out by a sign, numbers and short words stay as they are
     * @return the line with mistyped words set right; empty when nothing is to be set right or comes near
     */
    @Transactional(readOnly = true)
    public Optional<String> meant(Viewer viewer, @Nullable UUID file, String typed) {
        if (typed.length() > LONGEST || typed.contains("\"")) {
            return Optional.empty();
        }
        FindQuery.Made rights = query.of(viewer, FindCriteria.ofWords(null));
        List<String> line = new ArrayList<>();
        boolean isChanged = false;
        for (String word : typed.strip().split("\\s+")) {
            Optional<String> right = setRight(rights, file, word);
            line.add(right.orElse(word));
            isChanged |= right.isPresent();
        }
        return isChanged ? Optional.of(String.join(" ", line)) : Optional.empty();
    }

    private Optional<String> setRight(FindQuery.Made rights, @Nullable UUID file, String word) {
        String plain = PlainText.of(word);
        boolean isWord = plain.length() >= SHORTEST_WORD && plain.chars().allMatch(Character::isLetter);
        if (!isWord || papers.holds(rights, file, plain)) {
            return Optional.empty();
        }
        int most = plain.length() <= 7 ? 1 : 2;
        return words.near(plain, NEAR).stream()
                .filter(w -> PlainText.distance(plain, w, most) <= most)
                .sorted(Comparator.comparingInt(w -> PlainText.distance(plain, w, most)))
                .filter(w -> papers.holds(rights, file, w))
                .findFirst();
    }
}
