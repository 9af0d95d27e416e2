package app.denfold.server.signing;

import app.denfold.paper.Format;
import app.denfold.paper.sealing.SignatureMark;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.access.Actor;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes the signed, evidenced and sealed version of a document once its signing ends. */
@Component
class SealSigned {

    private static final Logger LOG = LoggerFactory.getLogger(SealSigned.class);
    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("seal-signed-paper");
    private static final int EVIDENCE_PAGES = 1;

    /** How versions are called that were made here; behind it stands what they are a copy of. */
    private static final String CAUSE = "signed and sealed copy of ";

    /** Whoever signed last makes the copy himself; only when he could not does the job. */
    private static final Duration FOR_WHO_WAITS = Duration.ofSeconds(20);

    private final DeskSigningRepository signings;
    private final Documents documents;
    private final Contents contents;
    private final PersonFiles people;
    private final InstallationSeal seal;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final ObjectProvider<SchedulerClient> scheduler;
    private final TransactionTemplate transactions;
    private final String address;

    SealSigned(
            DeskSigningRepository signings,
            Documents documents,
            Contents contents,
            PersonFiles people,
            InstallationSeal seal,
            PracticeSettings settings,
            PracticeCalendar calendar,
            ObjectProvider<SchedulerClient> scheduler,
            TransactionTemplate transactions,
            @Value("${denfold.address}") String address) {
        this.address = address;
        this.scheduler = scheduler;
        this.transactions = transactions;
        this.signings = signings;
        this.documents = documents;
        this.contents = contents;
        this.people = people;
        this.seal = seal;
        this.settings = settings;
        this.calendar = calendar;
    }

    static boolean isSealedCopy(DocumentVersion version) {
        return version.cause().startsWith(CAUSE);
    }

    static boolean isCopyOf(DocumentVersion version, String sourceSha256) {
        return version.cause().equals(CAUSE + shortOf(sourceSha256));
    }

    private static String shortOf(String sha256) {
        return sha256.substring(0, 12);
    }

    /** Has the copy made after the running transaction, also if the product is stopped before. */
    void later(DeskSigning signing) {
        if (!signing.isSealed()) {
            scheduler
                    .getObject()
                    .scheduleIfNotExists(TASK.instance(signing.id().toString())
                            .scheduledTo(Instant.now().plus(FOR_WHO_WAITS)));
        }
    }

    /** Makes it for somebody who waits; when that fails, the job makes it later. */
    void now(UUID signingId) {
        try {
            make(signingId);
        } catch (IOException | RuntimeException later) {
            LOG.warn("The sealed copy of the signing {} is made later: {}", signingId, later.getMessage());
        }
    }

    /**
     * What goes on the copy: all signatures ever given on the same source, so that a later signer's copy holds the earlier
     * ones.
     */
    private record Copy(Content source, List<SignatureMark> marks, List<String> evidence) {}

    private void make(UUID signingId) throws IOException {
        Optional<Copy> toSeal = Objects.requireNonNull(transactions.execute(
                t -> signings.findById(signingId).filter(s -> !s.isSealed()).map(this::copy)));
        if (toSeal.isEmpty()) {
            return;
        }
        Copy copy = toSeal.get();
        Path made = Files.createTempFile("sealed", ".pdf");
        try {
            seal.put(
                    new PaperWorkers.SealedCopy(
                            contents.file(copy.source),
                            Format.ofMediaType(copy.source.mediaType()).orElseThrow(),
                            copy.marks,
                            copy.evidence,
                            "Signed at the desk of " + settings.name(),
                            calendar.now()),
                    made);
            Contents.Prepared prepared = contents.made(made, copy.source.pages() + EVIDENCE_PAGES);
            transactions.executeWithoutResult(t -> keep(signingId, prepared, copy));
        } finally {
            Files.deleteIfExists(made);
        }
    }

    /** Of two that made it, the first one's copy is kept. */
    private void keep(UUID signingId, Contents.Prepared prepared, Copy copy) {
        DeskSigning signing = signings.findLockedById(signingId).orElseThrow();
        if (signing.isSealed()) {
            return;
        }
        signing.seal();
        contents.register(prepared);
        FiledDocument document = documents.document(signing.documentId());
        int count = copy.marks.size();
        documents.addCopy(
                Actor.system(Objects.requireNonNull(signing.endedBy())),
                document.id(),
                prepared.sha256(),
                CAUSE + shortOf(copy.source.sha256()),
                "sealed “" + document.name() + "” with " + count + (count == 1 ? " signature" : " signatures"));
    }

    private Copy copy(DeskSigning signing) {
        FiledDocument document = documents.document(signing.documentId());
        List<SigningStep> steps = signings.findByDocumentIdOrderByStartedAt(document.id()).stream()
                .filter(s -> s.sourceSha256().equals(signing.sourceSha256()))
                .flatMap(s -> s.signedSteps().stream())
                .toList();
        Content source = contents.content(signing.sourceSha256());
        return new Copy(source, steps.stream().map(this::mark).toList(), evidence(document, source, signing, steps));
    }

    private SignatureMark mark(SigningStep step) {
        return new SignatureMark(
                step.signer(),
                step.roleLabel(),
                calendar.words(Objects.requireNonNull(step.signedAt())),
                MarkJson.drawing(step.mark()),
                new SignatureMark.Place(step.page(), step.leftPart(), step.topPart()));
    }

    private List<String> evidence(
            FiledDocument document, Content source, DeskSigning signing, List<SigningStep> steps) {
        var file = people.file(document.fileId());
        List<String> lines = new ArrayList<>(List.of(
                "# How this paper was signed",
                settings.name(),
                "File " + file.number() + ", " + file.name(),
                "Paper dated " + PracticeCalendar.words(document.documentDate()) + ", " + source.pages()
                        + (source.pages() == 1 ? " page" : " pages") + " before this one",
                "SHA-256 of the paper before signing:",
                source.sha256(),
                "# Signatures"));
        for (SigningStep step : steps) {
            lines.add(step.signer() + ", " + step.roleLabel());
            lines.add("    on " + calendar.words(Objects.requireNonNull(step.signedAt())) + " (" + settings.zone()
                    + "), " + ("PEN".equals(step.method()) ? "by pen on the screen" : "by typing the name"));
            lines.add("    on page " + step.page() + ", at the desk of " + signing.startedBy());
        }
        lines.add("# Seal");
        lines.add("The whole of this document is sealed by the practice (PAdES baseline B, ETSI EN 319 142-1).");
        lines.add("Whether this copy is unchanged and the newest, anyone can check: " + address + "/check");
        lines.add("Any later change, of one byte even, makes the seal invalid. The paper before signing is kept.");
        return lines;
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> sealSignedPaper(ObjectProvider<SealSigned> seal) {
            return Tasks.oneTime(TASK).execute((instance, context) -> {
                try {
                    seal.getObject().make(UUID.fromString(instance.getId()));
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            });
        }
    }
}
