package app.denfold.server.finding.index;

import app.denfold.core.filing.DocumentState;
import app.denfold.server.content.Content;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.reading.ReadPage;
import java.util.List;

/**
 * What a document can be found by.
 *
 * @param typeLabels what its types are called
 * @param isRead whether nothing of it waits to be read any more
 * @param pages those read so far
 */
record Findable(
        FiledDocument document,
        DocumentState state,
        PersonFile person,
        Content content,
        List<String> typeLabels,
        boolean isRead,
        List<ReadPage> pages) {}
