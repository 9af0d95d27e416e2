package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.documents.guarding.ConfirmedSections;
import app.denfold.server.documents.guarding.Holds;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Component;

/** Papers, also those in the wastebasket, go along when files are merged. */
@Component
class PapersFollowMerge extends RowsFollow {

    private final NamedParameterJdbcTemplate sql;
    private final ConfirmedSections sections;
    private final Holds holds;
    private final Catalog catalog;
    private final PersonFiles files;

    PapersFollowMerge(
            NamedParameterJdbcTemplate sql,
            ConfirmedSections sections,
            Holds holds,
            Catalog catalog,
            PersonFiles files) {
        super(sql, Rows.of("document", "paper", "papers").versioned());
        this.sql = sql;
        this.sections = sections;
        this.holds = holds;
        this.catalog = catalog;
        this.files = files;
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
        for (UUID document : sql.queryForList(
                "select h.document_id from document_hold h join document d on d.id = h.document_id"
                        + " where d.file_id in (:gone, :kept)",
                Map.of("gone", gone, "kept", kept),
                UUID.class)) {
            holds.of(document)
                    .filter(h -> !h.accountId().equals(by.accountId()))
                    .ifPresent(h -> words.add(
                            h.byName() + " works on a paper of one of the files; wait until it is released."));
        }
        return words.stream().distinct().toList();
    }
}
