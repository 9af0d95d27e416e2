package app.denfold.server.documents.placeholders;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Placeholder;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.practice.PracticeCalendar;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Papers without pages: awaited ones, and those whose original lies on paper. */
@Service
public class Placeholders {

    private final Documents documents;
    private final Contents contents;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    Placeholders(Documents documents, Contents contents, PracticeCalendar calendar, TransactionTemplate transactions) {
        this.transactions = transactions;
        this.documents = documents;
        this.contents = contents;
        this.calendar = calendar;
    }

    /**
     * Notes a paper in a file. An awaited one fills no slot until something of it comes; one on paper counts like any
     * other.
     *
     * @throws app.denfold.server.problems.Refusal as filing would, or without a place for one on paper
     */
    public UUID note(Viewer viewer, FilingDetails details, Placeholder placeholder) {
        Contents.Prepared prepared = prepare(placeholder);
        String how = placeholder.awaited() ? "noted as awaited" : "noted as kept on paper";
        return transactions.execute(t -> {
            contents.register(prepared);
            Documents.Received received = new Documents.Received(prepared.sha256(), calendar.today(), how);
            return placeholder.awaited()
                    ? documents.await(viewer, details, received).id()
                    : documents.file(viewer, details, received).id();
        });
    }

    /** Says where the original of a paper lies now; what was kept of it before stays as an older version. */
    public void place(Viewer viewer, UUID id, String place) {
        Placeholder placeholder = Placeholder.onPaper(place);
        Contents.Prepared prepared = prepare(placeholder);
        transactions.executeWithoutResult(t -> {
            FiledDocument document = documents.open(viewer, id);
            contents.register(prepared);
            documents.addCopy(
                    viewer.actor(),
                    id,
                    prepared.sha256(),
                    "original on paper",
                    "noted that the original of “" + document.name() + "” lies on paper: " + placeholder.words());
        });
    }

    private Contents.Prepared prepare(Placeholder placeholder) {
        return contents.made(placeholder.written(), placeholder.format(), 0);
    }
}
