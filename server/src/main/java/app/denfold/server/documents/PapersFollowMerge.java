package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.documents.guarding.ConfirmedSections;
import app.denfold.server.documents.guarding.Holds;
import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Papers, also those in the wastebasket, go along when files are merged. */
@Component
class PapersFollowMerge implements FollowsMerge {

    private final FollowsMerge papers;
    private final ConfirmedSections sections;
    private final Holds holds;
    private final Catalog catalog;
    private final PersonFiles files;

    PapersFollowMerge(FileRowsStore rows, ConfirmedSections sections, Holds holds, Catalog catalog, PersonFiles files) {
        this.papers =
                rows.follow(FileRowsStore.Rows.of("document", "paper", "papers").versioned());
        this.sections = sections;
        this.holds = holds;
        this.catalog = catalog;
        this.files = files;
    }

    @Override
    public String name() {
        return papers.name();
    }

    @Override
    public String words(int count) {
        return papers.words(count);
    }

    @Override
    public int count(UUID file) {
        return papers.count(file);
    }

    @Override
    public List<String> follow(UUID gone, UUID kept) {
        return papers.follow(gone, kept);
    }

    @Override
    public void goBack(UUID gone, UUID kept, List<String> moved) {
        papers.goBack(gone, kept, moved);
    }

    /** Sections that were checked as complete, and papers that others work on. */
    @Override
    public List<String> hindrances(Viewer by, UUID gone, UUID kept) {
        List<String> words = new ArrayList<>();
        for (UUID id : List.of(kept, gone)) {
            PersonFile file = files.file(id);
            for (ConfirmedSections.Confirmed confirmed : sections.of(id)) {
                String label = catalog.sections().stream()
                        .filter(s -> s.code().equals(confirmed.section()))
                        .map(Section::label)
                        .findFirst()
                        .orElse(confirmed.section());
                words.add("The section " + label + " of the file " + file.number()
                        + " was confirmed as complete; reopen it first.");
            }
        }
        holds.inFiles(List.of(gone, kept)).stream()
                .filter(h -> !h.accountId().equals(by.accountId()))
                .map(h -> h.byName() + " works on a paper of one of the files; wait until it is released.")
                .forEach(words::add);
        return words.stream().distinct().toList();
    }
}
