package app.denfold.server.finding;

import app.denfold.core.filing.PlainText;
import app.denfold.core.finding.NearWords;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.people.PersonFiles;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Papers offered while a person types: those whose name, type or person holds words that begin so. */
@Service
public class SuggestPapers {

    private static final int OFFERED = 6;

    /** Of very many the newest of these are offered, so that the answer is there before the next key. */
    private static final int LOOKED_AT = 2_000;

    private final FindQuery query;
    private final Catalog catalog;
    private final FoundPaperStore store;
    private final PersonFiles people;

    SuggestPapers(FindQuery query, Catalog catalog, FoundPaperStore store, PersonFiles people) {
        this.query = query;
        this.catalog = catalog;
        this.store = store;
        this.people = people;
    }

    public record SuggestedPaper(UUID id, UUID fileId, String name, String person, LocalDate documentDate) {}

    /** The newest first; none for fewer than three letters. Typing errors are forgiven when nothing begins as typed. */
    @Transactional(readOnly = true)
    public List<SuggestedPaper> suggest(Viewer viewer, String typed) {
        String text = typed.length() > 200 ? typed.substring(0, 200) : typed;
        List<String> beginnings = FindCriteria.beginnings(text);
        if (beginnings.isEmpty() || beginnings.stream().noneMatch(b -> b.length() >= 3)) {
            return List.of();
        }
        FindQuery.Made rights = query.of(viewer, FindCriteria.ofWords(null));
        List<SuggestedPaper> found = named(rights, beginnings);
        return found.isEmpty() ? named(rights, setRight(beginnings)) : found;
    }

    private List<SuggestedPaper> named(FindQuery.Made rights, List<String> beginnings) {
        return beginnings.isEmpty() ? List.of() : store.named(rights, beginnings, LOOKED_AT, OFFERED);
    }

    /** Words with typing errors by those that types and people are called; empty when one of them comes near none. */
    private List<String> setRight(List<String> typed) {
        Set<String> ofTypes = catalog.types().stream()
                .flatMap(t -> Stream.concat(Stream.of(t.label()), t.synonyms().stream()))
                .flatMap(words -> PlainText.words(words).stream())
                .collect(Collectors.toSet());
        List<String> right = new ArrayList<>();
        for (String word : typed) {
            String plain = PlainText.of(word);
            boolean isNumber = plain.chars().anyMatch(Character::isDigit);
            Optional<String> meant = isNumber
                    ? Optional.of(word)
                    : NearWords.meant(plain, ofTypes).or(() -> NearWords.meant(plain, people.namesLike(plain)));
            if (meant.isEmpty()) {
                return List.of();
            }
            right.add(meant.get());
        }
        return right;
    }
}
