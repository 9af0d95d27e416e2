package app.denfold.server.finding.saved;

import app.denfold.server.access.Viewer;
import app.denfold.server.finding.FindCriteria;
import app.denfold.server.finding.FindPapers;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Searches kept under a name, by one account for itself or for all colleagues. What a shared one finds is for each what he
 * may see.
 */
@Service
class SavedSearches {

    private final SavedSearchRepository searches;
    private final FindPapers papers;

    SavedSearches(SavedSearchRepository searches, FindPapers papers) {
        this.searches = searches;
        this.papers = papers;
    }

    /** @param place {@code TODAY} or {@code FILES}, where it stands with its count; null for neither */
    public record SearchDetails(
            String name,
            FindCriteria criteria,
            boolean shared,
            @Nullable SavedSearch.Place place) {}

    public record SearchAnswer(
            UUID id,
            String name,
            FindCriteria criteria,
            boolean shared,
            @Nullable SavedSearch.Place place,
            boolean own) {}

    /** A search and how many papers it finds now. */
    public record SearchCount(UUID id, String name, long papers) {}

    /** His own and those that are shared, by their names. */
    @Transactional(readOnly = true)
    public List<SearchAnswer> of(Viewer viewer) {
        return searches.findFor(viewer.accountId()).stream()
                .map(s -> answer(viewer, s))
                .toList();
    }

    /** Those that stand in a place, with their counts. */
    @Transactional(readOnly = true)
    public List<SearchCount> standingIn(Viewer viewer, SavedSearch.Place place) {
        return searches.findFor(viewer.accountId()).stream()
                .filter(s -> s.place() == place)
                .limit(12)
                .map(s -> new SearchCount(s.id(), s.name(), papers.count(viewer, s.criteria())))
                .toList();
    }

    /** Keeps criteria; under a name he used before they replace the earlier ones. */
    @Transactional
    public SearchAnswer keep(Viewer viewer, SearchDetails details) {
        String name = details.name() == null
                ? ""
                : details.name().replaceAll("\\s+", " ").strip();
        if (name.isEmpty() || name.length() > 80) {
            throw Refusal.invalid("name", "Give it a name of up to 80 letters.");
        }
        if (details.shared()) {
            viewer.requireChange();
        }
        // what cannot be asked is told now, not to those who look at it later
        papers.count(viewer, details.criteria());
        SavedSearch search = searches.findByOwnerIdAndNameIgnoreCase(viewer.accountId(), name)
                .orElseGet(() -> new SavedSearch(viewer.accountId()));
        search.take(name, details.criteria(), details.shared(), details.place());
        return answer(viewer, searches.save(search));
    }

    /** @throws Refusal when it is another's; an administrator may remove shared ones */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        SavedSearch search = searches.findById(id)
                .filter(s -> s.shared() || s.ownerId().equals(viewer.accountId()))
                .orElseThrow(() -> Refusal.notFound("saved search"));
        if (!search.ownerId().equals(viewer.accountId()) && !viewer.isAdministrator()) {
            throw Refusal.forbidden("“" + search.name() + "” was saved by a colleague; only he or an administrator"
                    + " can remove it.");
        }
        searches.delete(search);
    }

    private static SearchAnswer answer(Viewer viewer, SavedSearch s) {
        return new SearchAnswer(
                s.id(),
                s.name(),
                s.criteria(),
                s.shared(),
                s.place(),
                s.ownerId().equals(viewer.accountId()));
    }
}
