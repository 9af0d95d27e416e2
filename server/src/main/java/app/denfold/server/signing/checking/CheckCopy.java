package app.denfold.server.signing.checking;

import app.denfold.paper.sealing.CheckedSeal;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.sealing.InstallationSeal;
import app.denfold.server.signing.sealing.SealedCopies;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Tells whoever holds a sealed copy, known here or not, whether it is from this practice and unchanged. Who signed is told
 * only of the very copy that was sealed, on whose last page it stands as well. What is checked is not kept.
 */
@Service
class CheckCopy {

    private static final int MOST_IN_AN_HOUR = 60;
    private static final int WAIT_SECONDS = 10;
    private static final Duration HOUR = Duration.ofHours(1);

    private final SignatureRequestRepository requests;
    private final Documents documents;
    private final InstallationSeal seal;
    private final PaperWorkers workers;
    private final CopyCheckStore counts;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    /** One at a time: those who draw pages for people at work share the processes. */
    private final Semaphore free = new Semaphore(1, true);

    CheckCopy(
            SignatureRequestRepository requests,
            Documents documents,
            InstallationSeal seal,
            @Qualifier("quickWorkers") PaperWorkers workers,
            CopyCheckStore counts,
            PracticeSettings settings,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.requests = requests;
        this.documents = documents;
        this.seal = seal;
        this.workers = workers;
        this.counts = counts;
        this.settings = settings;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    enum Verdict {
        /** It is the copy that was sealed here, byte for byte. */
        UNCHANGED,
        /** It bears the practice's seal and is unchanged, but is kept here no longer. */
        NOT_KEPT,
        /** What was sealed is unchanged; something was added to the file after it. */
        ADDED_TO,
        /** What was sealed here is no longer what it was. */
        CHANGED,
        /** It bears seals, none of them this practice's. */
        OTHERS,
        /** It bears no seal. */
        NO_SEAL
    }

    /** Somebody who signed. @param role in words */
    record SignedBy(String name, String role, Instant at) {}

    /**
     * @param sealedAt null when it bears no seal of the practice
     * @param signedBy in the order in which they signed; empty unless what was sealed is known here
     * @param newerExists whether a newer version of the paper came since
     * @param enteredInError whether the practice has marked the paper as entered in error since
     * @param added what was added after the seal, in words
     * @param others whose seals it bears besides, as they claim
     */
    record CopyAnswer(
            Verdict verdict,
            String practice,
            @Nullable Instant sealedAt,
            List<SignedBy> signedBy,
            boolean newerExists,
            boolean enteredInError,
            List<String> added,
            List<String> others) {}

    /** What was sealed here and is kept. */
    private record Known(List<SignedBy> signedBy, boolean newerExists, boolean enteredInError, Instant sealedAt) {}

    /** @throws Refusal when it is no PDF that can be read, or there were too many lately from the address */
    CopyAnswer check(Path copy, String address) throws IOException {
        count(address);
        if (!isMyTurn()) {
            throw Refusal.tooMany("Others are checking copies just now. Try again in a moment.", WAIT_SECONDS);
        }
        try {
            return checked(copy);
        } catch (WorkerFailed unreadable) {
            throw Refusal.invalid("file", "This is no PDF that can be read. Only sealed PDFs can be checked.");
        } finally {
            free.release();
        }
    }

    private boolean isMyTurn() {
        try {
            return free.tryAcquire(WAIT_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private void count(String address) {
        Instant now = calendar.now();
        int checks = transactions.execute(t -> {
            counts.forget(now.minus(HOUR.multipliedBy(24)));
            return counts.count(Secrets.hash(address), now, now.minus(HOUR));
        });
        if (checks > MOST_IN_AN_HOUR) {
            throw Refusal.tooMany(
                    "At most " + MOST_IN_AN_HOUR + " copies can be checked in an hour. Try again later.",
                    HOUR.toSeconds());
        }
    }

    private CopyAnswer checked(Path copy) throws IOException {
        Optional<Known> whole = known(Secrets.sha256(Files.readAllBytes(copy)));
        if (whole.isPresent()) {
            return answer(Verdict.UNCHANGED, whole, null, List.of(), List.of());
        }
        List<CheckedSeal> seals = workers.checkSeals(copy);
        List<CheckedSeal> ours = new ArrayList<>();
        for (CheckedSeal one : seals) {
            if (seal.isOurs(one.certificate())) {
                ours.add(one);
            }
        }
        List<String> others = seals.stream()
                .filter(s -> !ours.contains(s))
                .map(CheckedSeal::owner)
                .distinct()
                .toList();
        if (ours.isEmpty()) {
            return answer(
                    others.isEmpty() ? Verdict.NO_SEAL : Verdict.OTHERS, Optional.empty(), null, List.of(), others);
        }
        CheckedSeal last = ours.get(ours.size() - 1);
        if (!ours.stream().allMatch(CheckedSeal::intact)) {
            return answer(Verdict.CHANGED, Optional.empty(), last.sealedAt(), List.of(), others);
        }
        return last.coversAll()
                ? answer(Verdict.NOT_KEPT, Optional.empty(), last.sealedAt(), List.of(), others)
                : answer(Verdict.ADDED_TO, known(last.sha256()), last.sealedAt(), last.added(), others);
    }

    private CopyAnswer answer(
            Verdict verdict,
            Optional<Known> known,
            @Nullable Instant sealedAt,
            List<String> added,
            List<String> others) {
        return new CopyAnswer(
                verdict,
                settings.name(),
                known.map(Known::sealedAt).orElse(sealedAt),
                known.map(Known::signedBy).orElse(List.of()),
                known.map(Known::newerExists).orElse(false),
                known.map(Known::enteredInError).orElse(false),
                added,
                others);
    }

    private Optional<Known> known(String sha256) {
        return transactions.execute(t -> documents.with(sha256).stream()
                .flatMap(d -> d.versions().stream()
                        .filter(v -> v.sha256().equals(sha256) && SealedCopies.isOne(v))
                        .map(v -> known(d, v)))
                .findFirst());
    }

    private Known known(FiledDocument document, DocumentVersion version) {
        List<SignedBy> signed = requests.findOn(document.id()).stream()
                .filter(r -> r.paper(document.id())
                        .filter(p -> SealedCopies.isOf(version, p.sourceSha256()))
                        .isPresent())
                .flatMap(r -> r.signedOn(document.id()).stream())
                .filter(turn -> !Objects.requireNonNull(turn.doneAt()).isAfter(version.madeAt()))
                .map(turn -> new SignedBy(turn.signedName(), turn.roleLabel(), Objects.requireNonNull(turn.doneAt())))
                .toList();
        return new Known(
                signed,
                !document.latest().sha256().equals(version.sha256()),
                document.isEnteredInError(),
                version.madeAt());
    }
}
