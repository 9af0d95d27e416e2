package app.denfold.server.signing.sealing;

import app.denfold.paper.Format;
import app.denfold.paper.sealing.Evidence;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.paper.sealing.SignedPart;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.access.Actor;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.ShownPageStore;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
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
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes the signed, evidenced and sealed version of each paper of a request once that ends. */
@Component
public class SealSigned {

    private static final Logger LOG = LoggerFactory.getLogger(SealSigned.class);
    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("seal-signed-paper");

    /** Whoever signed last makes the copy himself; only when he could not does the job. */
    private static final Duration FOR_WHO_WAITS = Duration.ofSeconds(20);

    private static final Duration BETWEEN_ATTEMPTS = Duration.ofMinutes(1);

    private final SignatureRequestRepository requests;
    private final ShownPageStore shown;
    private final Documents documents;
    private final Contents contents;
    private final DescribeSigning describe;
    private final InstallationSeal seal;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final ObjectProvider<SchedulerClient> scheduler;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transactions;

    SealSigned(
            SignatureRequestRepository requests,
            ShownPageStore shown,
            Documents documents,
            Contents contents,
            DescribeSigning describe,
            InstallationSeal seal,
            PracticeSettings settings,
            PracticeCalendar calendar,
            ObjectProvider<SchedulerClient> scheduler,
            ApplicationEventPublisher events,
            TransactionTemplate transactions) {
        this.requests = requests;
        this.shown = shown;
        this.documents = documents;
        this.contents = contents;
        this.describe = describe;
        this.seal = seal;
        this.settings = settings;
        this.calendar = calendar;
        this.scheduler = scheduler;
        this.events = events;
        this.transactions = transactions;
    }

    /** All papers of a request are sealed. */
    public record RequestSealed(UUID requestId) {}

    /** Has the copies made after the running transaction, also if the product is stopped before. */
    public void later(SignatureRequest request) {
        if (request.papers().stream().anyMatch(p -> !p.sealed())) {
            scheduler
                    .getObject()
                    .scheduleIfNotExists(TASK.instance(request.id().toString())
                            .scheduledTo(Instant.now().plus(FOR_WHO_WAITS)));
        }
    }

    /** Makes them for somebody who waits; when that fails, the job makes them later. */
    public void now(UUID requestId) {
        try {
            make(requestId);
        } catch (IOException | RuntimeException later) {
            LOG.warn("The sealed copies of the request {} are made later: {}", requestId, later.getMessage());
        }
    }

    /**
     * What goes on the copy: all signatures ever given on the same source, so that a later signer's copy holds the earlier
     * ones.
     */
    private record Copy(
            Content source, List<SignedPart> parts, Evidence evidence, List<SignedCopy.Enclosed> enclosed) {}

    private void make(UUID requestId) throws IOException {
        List<UUID> papers = Objects.requireNonNull(transactions.execute(t -> requests.findById(requestId)
                .filter(r -> r.state().isEnded())
                .map(r -> r.papers().stream()
                        .filter(p -> !p.sealed())
                        .map(RequestPaper::documentId)
                        .toList())
                .orElse(List.of())));
        for (UUID documentId : papers) {
            make(requestId, documentId);
        }
    }

    private void make(UUID requestId, UUID documentId) throws IOException {
        Optional<Copy> toSeal = Objects.requireNonNull(transactions.execute(t -> requests.findById(requestId)
                .flatMap(r -> r.paper(documentId))
                .filter(p -> !p.sealed())
                .map(this::copy)));
        if (toSeal.isEmpty()) {
            return;
        }
        Copy copy = toSeal.get();
        Path made = Files.createTempFile("sealed", ".pdf");
        try {
            int pages = seal.put(
                    new PaperWorkers.SealedCopy(
                            contents.file(copy.source),
                            Format.ofMediaType(copy.source.mediaType()).orElseThrow(),
                            copy.parts,
                            copy.evidence,
                            copy.enclosed,
                            "How it was signed, told by " + settings.name(),
                            calendar.now()),
                    made);
            Contents.Prepared prepared = contents.made(made, pages);
            transactions.executeWithoutResult(t -> keep(requestId, documentId, prepared, copy));
        } finally {
            Files.deleteIfExists(made);
        }
    }

    /** Of two that made it, the first one's copy is kept. */
    private void keep(UUID requestId, UUID documentId, Contents.Prepared prepared, Copy copy) {
        SignatureRequest request = requests.lock(requestId).orElseThrow();
        if (request.paper(documentId).filter(p -> !p.sealed()).isEmpty()) {
            return;
        }
        request.sealed(documentId);
        contents.register(prepared);
        FiledDocument document = documents.document(documentId);
        int count = copy.parts.size();
        documents.addCopy(
                Actor.system(Objects.requireNonNull(request.endedBy())),
                documentId,
                prepared.sha256(),
                SealedCopies.causeOf(copy.source.sha256()),
                "sealed “" + document.name() + "” with " + count + (count == 1 ? " signature" : " signatures"));
        if (request.papers().stream().allMatch(RequestPaper::sealed)) {
            events.publishEvent(new RequestSealed(requestId));
        }
    }

    private Copy copy(RequestPaper paper) {
        FiledDocument document = documents.document(paper.documentId());
        Content source = contents.content(paper.sourceSha256());
        List<DescribeSigning.Signed> signed = requests.findOn(document.id()).stream()
                .filter(r -> r.paper(document.id())
                        .filter(p -> p.sourceSha256().equals(paper.sourceSha256()))
                        .isPresent())
                .flatMap(r -> r.signedOn(document.id()).stream()
                        .map(t -> new DescribeSigning.Signed(
                                r, t, shown.pages(t.id(), document.id()).size())))
                .sorted(Comparator.comparing(DescribeSigning.Signed::at))
                .toList();
        return new Copy(
                source,
                signed.stream().map(s -> describe.part(s, document.id())).toList(),
                describe.evidence(document, source, signed),
                scans(signed));
    }

    /** Pages that were signed with a pen. */
    private List<SignedCopy.Enclosed> scans(List<DescribeSigning.Signed> signed) {
        List<SignedCopy.Enclosed> scans = new ArrayList<>();
        for (DescribeSigning.Signed one : signed) {
            String sha256 = one.turn().scanSha256();
            if (sha256 != null) {
                Content scan = contents.content(sha256);
                scans.add(new SignedCopy.Enclosed(
                        "signed-on-paper-" + (scans.size() + 1) + contents.ending(sha256),
                        contents.wholeFile(scan),
                        scan.mediaType()));
            }
        }
        return scans;
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> sealSignedPaper(ObjectProvider<SealSigned> seal) {
            return Tasks.oneTime(TASK)
                    .onFailure(new FailureHandler.OnFailureRetryLater<>(BETWEEN_ATTEMPTS))
                    .execute((instance, context) -> {
                        try {
                            seal.getObject().make(UUID.fromString(instance.getId()));
                        } catch (IOException failed) {
                            throw new UncheckedIOException(failed);
                        }
                    });
        }
    }
}
