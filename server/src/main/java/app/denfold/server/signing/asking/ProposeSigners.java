package app.denfold.server.signing.asking;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Signer;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.relations.PeopleAround;
import app.denfold.server.signing.placing.Layouts;
import app.denfold.server.signing.placing.PaperPlaces;
import app.denfold.server.signing.sealing.SealedCopies;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Whom to ask, by the roles that papers still lack; and who else is there to be asked. */
@Service
public class ProposeSigners {

    private final PeopleAround around;
    private final Accounts accounts;
    private final Documents documents;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Contents contents;
    private final Layouts layouts;
    private final PaperPlaces places;
    private final TransactionTemplate reading;

    ProposeSigners(
            PeopleAround around,
            Accounts accounts,
            Documents documents,
            PersonFiles files,
            Catalog catalog,
            Contents contents,
            Layouts layouts,
            PaperPlaces places,
            PlatformTransactionManager transactions) {
        this.places = places;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
        this.contents = contents;
        this.layouts = layouts;
        this.around = around;
        this.accounts = accounts;
        this.documents = documents;
        this.files = files;
        this.catalog = catalog;
    }

    /**
     * Somebody who can be asked.
     *
     * @param what he is, such as {@code guardian}; the person himself, or a colleague's title
     * @param accountId of a colleague; null for everybody else
     * @param email null for a colleague, or when no address is known
     */
    public record Candidate(
            String name,
            String what,
            @Nullable UUID accountId,
            @Nullable String email) {}

    /** @param proposed position in the list of candidates; null when nobody fits or several do */
    public record RoleToSign(
            String role, String label, @Nullable Integer proposed) {}

    /** @param roles that the papers still lack, in the order of their types @param fields places on their pages */
    public record Proposal(List<RoleToSign> roles, List<Candidate> candidates, List<Layouts.ProposedPlace> fields) {}

    /** Looks at the papers as well, so not within a transaction. */
    public Proposal of(Viewer viewer, List<UUID> paperIds) {
        Objects.requireNonNull(reading.execute(t -> paperIds.stream()
                        .map(id -> contents.content(SealedCopies.sourceOf(documents.visible(viewer, id))
                                .sha256()))
                        .toList()))
                .forEach(places::lookAt);
        return Objects.requireNonNull(reading.execute(t -> known(viewer, paperIds)));
    }

    /** From what is known of the papers. */
    public Proposal known(Viewer viewer, List<UUID> paperIds) {
        Map<String, Signer> roles = new LinkedHashMap<>();
        List<FiledDocument> papers =
                paperIds.stream().map(id -> documents.visible(viewer, id)).toList();
        papers.forEach(d -> d.unsignedBy(catalog.types(d.types())).forEach(s -> roles.putIfAbsent(s.role(), s)));
        PersonFile file = files.visible(viewer, papers.get(0).fileId());
        List<Candidate> candidates = candidates(viewer, file);
        List<PeopleAround.ProposedSigner> proposed = around.signers(viewer, file.id(), List.copyOf(roles.keySet()));
        return new Proposal(
                proposed.stream()
                        .map(p -> new RoleToSign(
                                p.role(),
                                Optional.ofNullable(roles.get(p.role()))
                                        .map(Signer::label)
                                        .orElse(p.role()),
                                position(candidates, p)))
                        .toList(),
                candidates,
                papers.stream().flatMap(d -> fields(d).stream()).toList());
    }

    private List<Layouts.ProposedPlace> fields(FiledDocument document) {
        int pages = contents.content(SealedCopies.sourceOf(document).sha256()).pages();
        return layouts.of(document, pages, document.unsignedBy(catalog.types(document.types())));
    }

    private @Nullable Integer position(List<Candidate> candidates, PeopleAround.ProposedSigner proposed) {
        Optional<String> own = accounts.signsAs(proposed.role());
        for (int i = 0; i < candidates.size(); i++) {
            Candidate c = candidates.get(i);
            // two may bear one name: a role of the practice's own is a colleague's, any other is not
            if (c.name().equals(proposed.name()) && own.isPresent() == (c.accountId() != null)) {
                return i;
            }
        }
        return null;
    }

    private List<Candidate> candidates(Viewer viewer, PersonFile file) {
        List<Candidate> all = new ArrayList<>();
        all.add(new Candidate(file.name(), "the person", null, file.email()));
        around.of(viewer, file.id()).stream()
                .filter(r -> !r.reverse())
                .forEach(r -> all.add(new Candidate(r.name(), r.words(), null, r.email())));
        Map<String, String> titles =
                accounts.titles(accounts.staff().stream().map(Viewer::name).toList());
        accounts.staff()
                .forEach(v -> all.add(
                        new Candidate(v.name(), titles.getOrDefault(v.name(), "colleague"), v.accountId(), null)));
        return all;
    }
}
