package app.denfold.server.signing.pen;

import app.denfold.core.signing.PenCode;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.content.copying.ChosenPage;
import app.denfold.server.content.copying.CopiedPages;
import app.denfold.server.documents.Documents;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.asking.RunRequest;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.requests.KnownBy;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.requests.SignedScans;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.taking.TakeTurns;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Prints what is to be signed with a pen, and takes a signature that came back so once somebody has looked at it. */
@Service
class PenPages {

    private final SignatureRequestRepository requests;
    private final TakeTurns take;
    private final RunRequest run;
    private final SealSigned seal;
    private final SignedScans scans;
    private final Documents documents;
    private final Contents contents;
    private final CopiedPages copies;
    private final PaperWorkers workers;
    private final TransactionTemplate transactions;

    PenPages(
            SignatureRequestRepository requests,
            TakeTurns take,
            RunRequest run,
            SealSigned seal,
            SignedScans scans,
            Documents documents,
            Contents contents,
            CopiedPages copies,
            @Qualifier("quickWorkers") PaperWorkers workers,
            TransactionTemplate transactions) {
        this.requests = requests;
        this.take = take;
        this.run = run;
        this.seal = seal;
        this.scans = scans;
        this.documents = documents;
        this.contents = contents;
        this.copies = copies;
        this.workers = workers;
        this.transactions = transactions;
    }

    private record ToPrint(List<ChosenPage> pages, String name) {}

    /** All papers of a turn, each page with its code. @throws Refusal when it is not open, or the viewer may not see it */
    byte[] print(Viewer viewer, UUID requestId, UUID turnId) throws IOException {
        ToPrint print = Objects.requireNonNull(transactions.execute(t -> toPrint(viewer, requestId, turnId)));
        int count = print.pages().size();
        List<String> codes = IntStream.rangeClosed(1, count)
                .mapToObj(page -> new PenCode(turnId, page, count).written())
                .toList();
        Path copy = copies.toFile(print.pages());
        Path coded = Files.createTempFile("to-sign", ".pdf");
        try {
            workers.stampCodes(copy, codes, "To be signed by " + print.name() + ". Please send all pages back.", coded);
            return Files.readAllBytes(coded);
        } finally {
            Files.deleteIfExists(copy);
            Files.deleteIfExists(coded);
        }
    }

    private ToPrint toPrint(Viewer viewer, UUID requestId, UUID turnId) {
        SignatureRequest request = visible(viewer, requestId);
        SignatureTurn turn = turn(request, turnId);
        if (turn.task() != Task.SIGN || !request.whoseTurn().contains(turn)) {
            throw Refusal.conflict("not-his-turn", "It is not the turn of " + turn.name() + " to sign now.");
        }
        List<ChosenPage> pages = new ArrayList<>();
        for (RequestPaper paper : request.papersOf(turn)) {
            int count = contents.content(paper.sourceSha256()).pages();
            for (int page = 1; page <= count; page++) {
                pages.add(new ChosenPage(paper.sourceSha256(), page, 0));
            }
        }
        return new ToPrint(pages, turn.name());
    }

    private SignatureRequest visible(Viewer viewer, UUID requestId) {
        SignatureRequest request =
                requests.findById(requestId).orElseThrow(() -> Refusal.notFound("signature request"));
        request.papers().forEach(p -> documents.visible(viewer, p.documentId()));
        return request;
    }

    private static SignatureTurn turn(SignatureRequest request, UUID turnId) {
        return request.turn(turnId).orElseThrow(() -> Refusal.notFound("signer of this request"));
    }

    /** What came back for a turn. @throws Refusal when nothing did */
    @Transactional(readOnly = true)
    public String scan(Viewer viewer, UUID requestId, UUID turnId) {
        String scan = turn(visible(viewer, requestId), turnId).scanSha256();
        if (scan == null) {
            throw Refusal.notFound("scan");
        }
        return scan;
    }

    /**
     * Somebody has looked at what came back.
     *
     * @param isSigned whether it is the signature that was asked for; if not, the turn is open as before
     */
    void look(Viewer viewer, UUID requestId, UUID turnId, boolean isSigned) {
        viewer.requireChange();
        transactions.executeWithoutResult(t -> {
            SignatureRequest request = visible(viewer, requestId);
            if (turn(request, turnId).outcome() != Outcome.TO_CONFIRM) {
                throw Refusal.conflict("nothing-back", "Nothing has come back on paper that waits for a look.");
            }
            if (isSigned) {
                String name = turn(request, turnId).name();
                take.signedOnPaper(
                        turnId, new Hand(Actor.system(name), null, null, KnownBy.ON_PAPER, viewer.name(), null));
            } else {
                requests.lock(requestId).orElseThrow();
                SignatureTurn turn = turn(request, turnId);
                scans.leave(request, turn);
                run.note(
                        request,
                        viewer.actor(),
                        "signing-not-it",
                        "found no signature on what came back on paper for",
                        "");
            }
        });
        if (isSigned) {
            seal.now(requestId);
        }
    }
}
