package app.denfold.server.demo.standing;

import app.denfold.core.receiving.Receiver;
import app.denfold.core.receiving.ReceivingRule;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.leaving.CopiesOut;
import app.denfold.server.people.PersonFile;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Says of a few types of the demo practice who must have their papers, and gives some of these. */
@Component
public class DemoStanding {

    private static final String SIGNED_BY_BOTH = "livery-agreement";
    private static final int GIVEN = 2;

    private final Catalog catalog;
    private final Documents documents;
    private final CopiesOut copies;
    private final TransactionTemplate transactions;

    DemoStanding(Catalog catalog, Documents documents, CopiesOut copies, TransactionTemplate transactions) {
        this.catalog = catalog;
        this.documents = documents;
        this.copies = copies;
        this.transactions = transactions;
    }

    /** Papers of former months are left alone. */
    public void rules(LocalDate today) {
        LocalDate from = today.minusDays(240);
        transactions.executeWithoutResult(t -> {
            catalog.type(SIGNED_BY_BOTH).then(new ReceivingRule(List.of(Receiver.person()), true, from));
            catalog.type("fees-agreement").then(new ReceivingRule(List.of(Receiver.person()), false, from));
            catalog.type("safeguarding").then(new ReceivingRule(List.of(), true, from));
        });
    }

    /** The first owners have their agreements. Not within a transaction: copies are made. */
    public void give(Viewer by, List<PersonFile> people, LocalDate today) {
        List<ToGive> complete = Objects.requireNonNull(transactions.execute(t -> people.stream()
                .filter(p -> p.kind().equals("client"))
                .flatMap(p -> complete(p, today).limit(1).map(paper -> new ToGive(p.name(), paper)))
                .limit(GIVEN)
                .toList()));
        complete.forEach(g -> copies.handOut(by, g.paper, g.reader));
    }

    private record ToGive(String reader, UUID paper) {}

    private Stream<UUID> complete(PersonFile person, LocalDate today) {
        return documents.ofFile(person.id()).stream()
                .filter(d ->
                        d.type().equals(SIGNED_BY_BOTH) && documents.state(d).isSettled())
                .filter(d -> d.receivedOn().isAfter(today.minusDays(240)))
                .map(FiledDocument::id);
    }
}
