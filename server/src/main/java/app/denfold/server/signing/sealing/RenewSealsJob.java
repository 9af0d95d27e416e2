package app.denfold.server.signing.sealing;

import app.denfold.server.access.Actor;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Every night seals copies for longer whose time-stamps come near their end. */
@Component
class RenewSealsJob {

    private static final Logger LOG = LoggerFactory.getLogger(RenewSealsJob.class);

    /** The keys last three years; half a year before their end a copy is sealed anew. */
    private static final Duration HOLDS = Duration.ofDays(30 * 30);

    private static final int MOST_A_NIGHT = 2_000;

    private final SignatureRequestRepository requests;
    private final Documents documents;
    private final Contents contents;
    private final InstallationSeal seal;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    RenewSealsJob(
            SignatureRequestRepository requests,
            Documents documents,
            Contents contents,
            InstallationSeal seal,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.requests = requests;
        this.documents = documents;
        this.contents = contents;
        this.seal = seal;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    @Scheduled(cron = "${denfold.renew-seals:0 40 3 * * *}")
    void renew() {
        Instant before = calendar.now().minus(HOLDS);
        requests.findSealedBefore(before).stream().limit(MOST_A_NIGHT).forEach(id -> {
            try {
                renew(id, before);
            } catch (IOException | RuntimeException later) {
                LOG.warn("The sealed copy of the paper {} is renewed another night: {}", id, later.getMessage());
            }
        });
    }

    private void renew(UUID documentId, Instant before) throws IOException {
        Optional<DocumentVersion> old = transactions.execute(t -> toRenew(documentId, before));
        if (old == null || old.isEmpty()) {
            return;
        }
        Path made = Files.createTempFile("renewed", ".pdf");
        try {
            int pages = seal.renew(contents.file(old.get().sha256()), made);
            Contents.Prepared prepared = contents.made(made, pages);
            transactions.executeWithoutResult(t -> {
                if (toRenew(documentId, before).equals(old)) {
                    contents.register(prepared);
                    FiledDocument document = documents.document(documentId);
                    documents.addCopy(
                            Actor.system("Den Fold"),
                            documentId,
                            prepared.sha256(),
                            old.get().cause(),
                            "sealed “" + document.name() + "” for longer");
                }
            });
        } finally {
            Files.deleteIfExists(made);
        }
    }

    /** The newest version, when it is a sealed copy from before. */
    private Optional<DocumentVersion> toRenew(UUID documentId, Instant before) {
        return documents
                .outsideWastebasket(documentId)
                .map(FiledDocument::latest)
                .filter(v -> SealedCopies.isOne(v) && v.madeAt().isBefore(before));
    }
}
