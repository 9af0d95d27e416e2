package app.denfold.server.signing.desk;

import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.secondfactor.ConfirmOneself;
import app.denfold.server.catalog.Signer;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.asking.AskToSign;
import app.denfold.server.signing.asking.PlaceFields;
import app.denfold.server.signing.asking.RunRequest;
import app.denfold.server.signing.asking.WhoSigns;
import app.denfold.server.signing.requests.Asked;
import app.denfold.server.signing.requests.MarkJson;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.taking.TakeTurns;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Signing at the desk: everybody is present, and signs one after the other in the session of a colleague. */
@Service
class DeskSignings {

    private final SignatureRequestRepository requests;
    private final AskToSign ask;
    private final RunRequest run;
    private final TakeTurns take;
    private final SealSigned seal;
    private final WhoSigns who;
    private final ConfirmOneself confirm;
    private final DeskHands hands;
    private final Documents documents;
    private final PersonFiles files;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    DeskSignings(
            SignatureRequestRepository requests,
            AskToSign ask,
            RunRequest run,
            TakeTurns take,
            SealSigned seal,
            WhoSigns who,
            ConfirmOneself confirm,
            DeskHands hands,
            Documents documents,
            PersonFiles files,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.requests = requests;
        this.ask = ask;
        this.run = run;
        this.take = take;
        this.seal = seal;
        this.who = who;
        this.confirm = confirm;
        this.hands = hands;
        this.documents = documents;
        this.files = files;
        this.calendar = calendar;
    }

    /** Who signs in which role, and where; place values null for the foot of the last page. */
    record SignerRequest(
            @NotBlank String role,

            @NotBlank(message = "is needed: who signs?") @Size(max = 120)
            String signer,

            @Nullable Integer page,
            @Nullable @Min(0) @Max(1) Double left,
            @Nullable @Min(0) @Max(1) Double top) {}

    /**
     * @param version number of the one that the viewer looked at, from 1
     * @throws Refusal when a newer version came, the paper cannot be signed, a role is not open, a child is named, or a place
     *     lies outside the page
     */
    @Transactional
    public SignatureRequest start(Viewer viewer, UUID documentId, int version, List<SignerRequest> signers) {
        viewer.requireChange();
        PlaceFields.Page page = ask.page(viewer, documentId, version);
        FiledDocument document = documents.document(documentId);
        List<SignatureTurn> turns = turns(page, signers, files.file(document.fileId()));
        List<SignField> fields = new ArrayList<>();
        for (int i = 0; i < turns.size(); i++) {
            fields.add(field(page, turns.get(i), signers.get(i), i, turns.size()));
        }
        SignatureRequest request = new SignatureRequest(
                true,
                List.of(new RequestPaper(documentId, page.source().sha256(), true, true)),
                turns,
                fields,
                Asked.AT_DESK,
                viewer.actor(),
                calendar.now());
        ask.begin(
                request,
                "signing-started",
                "laid",
                " before " + turns.stream().map(SignatureTurn::name).collect(Collectors.joining(" and ")) + " to sign");
        return request;
    }

    private List<SignatureTurn> turns(PlaceFields.Page page, List<SignerRequest> signers, PersonFile file) {
        Set<String> used = new HashSet<>();
        List<SignatureTurn> turns = new ArrayList<>();
        for (SignerRequest request : signers) {
            String field = "signers." + turns.size() + ".";
            Signer role = page.unsigned().stream()
                    .filter(s -> s.role().equals(request.role()) && used.add(s.role()))
                    .findFirst()
                    .orElseThrow(() -> Refusal.invalid(
                            field + "role", "No signature by “" + request.role() + "” is open on this paper."));
            String name = request.signer().strip();
            Optional<Viewer> colleague = who.colleagueNamed(name);
            if (colleague.isEmpty()) {
                who.requireOfAge(name, file, field + "signer");
            }
            turns.add(new SignatureTurn(
                    turns.size(),
                    Task.SIGN,
                    role.role(),
                    role.label(),
                    colleague.map(Viewer::accountId).orElse(null),
                    name,
                    null));
        }
        if (turns.isEmpty()) {
            throw Refusal.invalid("signers", "Choose at least one signer.");
        }
        return turns;
    }

    private static SignField field(
            PlaceFields.Page page, SignatureTurn turn, SignerRequest asked, int place, int count) {
        SignField usual = PlaceFields.atFoot(page, turn.id(), place, count);
        if (asked.page() != null) {
            PlaceFields.requirePage(asked.page(), page.source(), "signers." + place + ".page");
        }
        return PlaceFields.signature(
                page.documentId(),
                turn.id(),
                asked.page() == null ? usual.page() : asked.page(),
                asked.left() == null ? usual.leftPart() : asked.left(),
                asked.top() == null ? usual.topPart() : asked.top());
    }

    /** @throws Refusal when there is no such signing at a desk, or the viewer may not see its papers */
    SignatureRequest visible(Viewer viewer, UUID id) {
        return Objects.requireNonNull(transactions.execute(t -> {
            SignatureRequest request = requests.findById(id)
                    .filter(SignatureRequest::isAtDesk)
                    .orElseThrow(() -> Refusal.notFound("signing"));
            request.papers().forEach(p -> documents.visible(viewer, p.documentId()));
            request.fields();
            request.turns();
            return request;
        }));
    }

    /** The open signing at a desk on a paper, and any open request on it; null for none. */
    @Transactional(readOnly = true)
    public @Nullable SignatureRequest openOn(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        return requests.findOpenOn(documentId).orElse(null);
    }

    /**
     * Whoever's turn it is signs. After the last one the sealed version is made, at once or as soon as that can be done; the
     * signatures are safe before.
     *
     * @param role whose turn the page showed; a different one means that the page is stale
     * @param password of the colleague who signs; null when none was given
     * @param from address of the network
     */
    SignatureRequest sign(
            Viewer viewer, UUID id, String role, MarkJson.GivenMark given, @Nullable String password, String from) {
        viewer.requireChange();
        SignatureRequest request = open(viewer, id);
        SignatureTurn turn = request.whoseTurn().stream()
                .filter(t -> t.role().equals(role) && t.task() == Task.SIGN)
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "not-his-turn", "Somebody else's turn has come meanwhile. Look at the page again."));
        take.sign(turn.id(), hands.of(viewer, turn, password, from), new TakeTurns.Signature(given, Map.of()));
        seal.now(id);
        return visible(viewer, id);
    }

    /** @throws Refusal when it is not the viewer's password */
    void unlock(Viewer viewer, String password, String from) {
        confirm.password(viewer, password, from);
    }

    /** Ends a signing early. Signatures already given are kept on a sealed copy; nothing is lost. */
    void withdraw(Viewer viewer, UUID id) {
        run.withdraw(viewer, id, null);
        seal.now(id);
    }

    private SignatureRequest open(Viewer viewer, UUID id) {
        SignatureRequest request = visible(viewer, id);
        if (request.state() != RequestState.OPEN) {
            throw Refusal.conflict("signing-ended", "This signing has ended.");
        }
        return request;
    }
}
