package app.denfold.server.finding.index;

import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.DatabaseAway;
import app.denfold.server.reading.Readings;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps what papers can be found by. Whatever changes a paper puts it into a queue, in the same transaction; a job takes it
 * from there. The words of a paper stand in the index twice: as they are written, for which the places of the first 16,000
 * are known, and then in any form.
 */
@Component
class FindIndex {

    private static final Logger LOG = LoggerFactory.getLogger(FindIndex.class);

    /** A text vector holds at most a megabyte; real texts of this length stay below it. */
    private static final int MOST_LETTERS = 600_000;

    /** Even if every word were another, the vector of so many letters can be stored. */
    private static final int FEWER_LETTERS = 120_000;

    private static final int BATCH = 200;

    private final FindableStore store;
    private final Documents documents;
    private final Readings readings;
    private final PersonFiles files;
    private final Contents contents;
    private final Catalog catalog;
    private final TransactionTemplate transactions;

    FindIndex(
            FindableStore store,
            Documents documents,
            Readings readings,
            PersonFiles files,
            Contents contents,
            Catalog catalog,
            TransactionTemplate transactions) {
        this.store = store;
        this.documents = documents;
        this.readings = readings;
        this.files = files;
        this.contents = contents;
        this.catalog = catalog;
        this.transactions = transactions;
    }

    @Transactional
    public void queue(UUID documentId) {
        store.queue(documentId);
    }

    @Transactional
    public void queueFile(UUID fileId) {
        store.follow(files.fileToFollow(fileId));
        store.queue(documents.idsOfFile(fileId));
    }

    /** Those one of whose versions has these bytes. */
    @Transactional
    public void queueContent(String sha256) {
        store.queue(documents.idsWith(sha256));
    }

    /** After a change that may concern every paper. */
    @Transactional
    public void queueAll() {
        store.queue(documents.allIds());
    }

    /** How many entries wait. */
    int waiting() {
        return store.waiting();
    }

    /**
     * Indexes what waits, the longest waiting first. A paper that nobody read yet can be found by all but its pages; they
     * are read, and then it is indexed again.
     */
    void drain() {
        List<FindableStore.Queued> batch = store.next(BATCH);
        while (!batch.isEmpty()) {
            Map<UUID, Long> last = new HashMap<>();
            batch.forEach(q -> last.merge(q.documentId(), q.id(), Math::max));
            long upTo = last.values().stream().mapToLong(Long::longValue).max().orElseThrow();
            Set<UUID> over = last.keySet().stream().filter(this::index).collect(Collectors.toSet());
            if (over.isEmpty()) {
                return;
            }
            store.done(over, upTo);
            batch = store.next(BATCH);
        }
    }

    /**
     * One paper that cannot be indexed holds up no other.
     *
     * @return false when the database could not be asked, or somebody was in the way: it stays in the queue
     */
    private boolean index(UUID documentId) {
        try {
            index(documentId, MOST_LETTERS);
            return true;
        } catch (DataAccessException | TransactionException failed) {
            return !isLater(documentId, failed) && indexFewer(documentId);
        }
    }

    /** With fewer words, since it may have too many of them. */
    private boolean indexFewer(UUID documentId) {
        try {
            index(documentId, FEWER_LETTERS);
        } catch (DataAccessException | TransactionException failed) {
            if (isLater(documentId, failed)) {
                return false;
            }
            LOG.error("The document {} cannot be made findable", documentId, failed);
        }
        return true;
    }

    private static boolean isLater(UUID documentId, RuntimeException failed) {
        boolean passes = DatabaseAway.isPassing(failed);
        if (passes) {
            LOG.warn("The document {} is made findable later: {}", documentId, failed.getMessage());
        }
        return passes;
    }

    /** Takes part in the transaction that destroys it. */
    void forget(UUID documentId) {
        store.remove(documentId);
    }

    private void index(UUID documentId, int most) {
        transactions.executeWithoutResult(t -> {
            Optional<FiledDocument> document = documents.outsideWastebasket(documentId);
            if (document.isEmpty()) {
                store.remove(documentId);
                return;
            }
            Findable found = findable(document.get());
            store.put(found, most);
            readings.askLater(found.content().sha256());
        });
    }

    private Findable findable(FiledDocument document) {
        String sha256 = document.latest().sha256();
        Content content = contents.content(sha256);
        DocumentTypes types = catalog.types(document.types());
        Readings.Progress progress = readings.progress(List.of(sha256)).get(sha256);
        return new Findable(
                document,
                document.state(types),
                // what decides who may find it must not be older than what a change of the person wrote here
                files.unchangingFile(document.fileId()),
                content,
                types.labels(),
                progress == null ? content.pages() == 0 : progress.isOver(),
                readings.pages(sha256));
    }
}
