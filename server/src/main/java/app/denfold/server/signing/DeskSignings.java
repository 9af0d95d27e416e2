package app.denfold.server.signing;

import app.denfold.core.signing.TypedName;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Signer;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import app.denfold.server.documents.DocumentEvents.DocumentLeft;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenSignature;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Signing at the desk. */
@Service
class DeskSignings {

    private final DeskSigningRepository signings;
    private final SealSigned sealSigned;
    private final Documents documents;
    private final Catalog catalog;
    private final Contents contents;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    DeskSignings(
            DeskSigningRepository signings,
            SealSigned sealSigned,
            Documents documents,
            Catalog catalog,
            Contents contents,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.signings = signings;
        this.sealSigned = sealSigned;
        this.documents = documents;
        this.catalog = catalog;
        this.contents = contents;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** Who signs in which role, and where; place values null for the foot of the last page. */
    /** @throws Refusal while the paper is being signed */
    @EventListener
    void on(DocumentLeft event) {
        if (signings.findByDocumentIdAndState(event.documentId(), DeskSigning.State.OPEN)
                .isPresent()) {
            throw Refusal.conflict(
                    "signing-open",
                    "A paper is being signed at a desk; it stays until that is finished or broken off.");
        }
    }

    @EventListener
    void on(DocumentDestroyed event) {
        signings.deleteByDocumentId(event.documentId());
    }

    record SignerRequest(
            @NotBlank String role,

            @NotBlank(message = "is needed: who signs?") @Size(max = 120)
            String signer,

            @Nullable Integer page,
            @Nullable @Min(0) @Max(1) Double left,
            @Nullable @Min(0) @Max(1) Double top) {}

    /**
     * @param version number of the one that the viewer looked at, from 1
     * @throws Refusal when a newer version came, the paper cannot be signed, a role is not open, or a place lies outside
     *     the page
     */
    @Transactional
    public DeskSigning start(Viewer viewer, UUID documentId, int version, List<SignerRequest> signers) {
        viewer.requireChange();
        FiledDocument document = documents.visible(viewer, documentId);
        document.requireNewest(version);
        if (document.isEnteredInError()) {
            throw Refusal.conflict(
                    "entered-in-error", "This paper was marked as entered in error and cannot be signed.");
        }
        if (signings.findByDocumentIdAndState(documentId, DeskSigning.State.OPEN)
                .isPresent()) {
            throw Refusal.conflict("signing-open", "This paper is being signed at a desk already.");
        }
        Content source = contents.content(sourceOf(document).sha256());
        if (source.pages() == 0) {
            throw Refusal.conflict(
                    "unreadable", "No page of this paper can be shown, so nobody could sign what he reads.");
        }
        DeskSigning signing = signings.save(new DeskSigning(
                documentId, source.sha256(), steps(document, signers, source), viewer.name(), calendar.now()));
        trail.record(new AuditEntry(
                viewer.actor(),
                "signing-started",
                document.fileId(),
                documentId,
                "laid “" + document.name() + "” before "
                        + String.join(
                                " and ",
                                signers.stream().map(SignerRequest::signer).toList()) + " to sign"));
        return signing;
    }

    /** The newest version that is not itself a signed copy. */
    private DocumentVersion sourceOf(FiledDocument document) {
        Set<String> signedSources = new HashSet<>();
        signings.findByDocumentIdOrderByStartedAt(document.id()).forEach(s -> signedSources.add(s.sourceSha256()));
        List<DocumentVersion> versions = document.versions();
        for (int i = versions.size() - 1; i >= 0; i--) {
            DocumentVersion version = versions.get(i);
            if (signedSources.contains(version.sha256()) || !version.cause().startsWith("signed")) {
                return version;
            }
        }
        return document.latest();
    }

    private List<SigningStep> steps(FiledDocument document, List<SignerRequest> signers, Content source) {
        List<Signer> open = document.unsignedBy(catalog.types(document.types()));
        Set<String> used = new HashSet<>();
        List<SigningStep> steps = new ArrayList<>();
        for (SignerRequest request : signers) {
            String field = "signers." + steps.size() + ".";
            Signer role = open.stream()
                    .filter(s -> s.role().equals(request.role()) && used.add(s.role()))
                    .findFirst()
                    .orElseThrow(() -> Refusal.invalid(
                            field + "role", "No signature by “" + request.role() + "” is open on this paper."));
            steps.add(step(role, request, source, steps.size(), signers.size(), field));
        }
        if (steps.isEmpty()) {
            throw Refusal.invalid("signers", "Choose at least one signer.");
        }
        return steps;
    }

    private static SigningStep step(
            Signer role, SignerRequest request, Content source, int place, int count, String field) {
        int page = request.page() == null ? source.pages() : request.page();
        if (page < 1 || page > source.pages()) {
            throw Refusal.invalid(field + "page", "The paper has " + source.pages() + " pages.");
        }
        double gap = count < 2 ? 0 : (0.84 - SignedCopy.BOX_WIDTH) / Math.max(2, count - 1);
        double left = request.left() == null ? 0.08 + place * Math.min(0.5, gap) : request.left();
        double top = request.top() == null ? 0.84 : request.top();
        return new SigningStep(
                role.role(),
                role.label(),
                request.signer().strip(),
                page,
                Math.min(left, 1 - SignedCopy.BOX_WIDTH),
                Math.min(top, 0.93),
                null,
                null,
                null);
    }

    /** @throws Refusal when there is no such signing or the viewer may not see its document */
    @Transactional(readOnly = true)
    public DeskSigning visible(Viewer viewer, UUID id) {
        DeskSigning signing = signings.findById(id).orElseThrow(() -> Refusal.notFound("signing"));
        documents.visible(viewer, signing.documentId());
        return signing;
    }

    @Transactional(readOnly = true)
    public @Nullable UUID openOn(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        return signings.findByDocumentIdAndState(documentId, DeskSigning.State.OPEN)
                .map(DeskSigning::id)
                .orElse(null);
    }

    /**
     * The next signer signs. After the last one the signed and sealed version is made, at once or as soon as that can be
     * done; the signatures are safe before.
     *
     * @param role whose turn the page showed; a different one means that the page is stale
     */
    public DeskSigning sign(Viewer viewer, UUID id, String role, MarkJson.GivenMark given) {
        transactions.executeWithoutResult(t -> signNext(viewer, id, role, given));
        sealSigned.now(id);
        return visible(viewer, id);
    }

    private void signNext(Viewer viewer, UUID id, String role, MarkJson.GivenMark given) {
        viewer.requireChange();
        DeskSigning signing = open(viewer, id);
        requireSamePaper(signing);
        if (!signing.next().orElseThrow().role().equals(role)) {
            throw Refusal.conflict("not-his-turn", "Somebody else's turn has come meanwhile. Look at the page again.");
        }
        requireOwnName(signing.next().orElseThrow().signer(), given.typed());
        SigningStep step = signing.sign(given.method(), MarkJson.checked(given), viewer.name(), calendar.now());
        documents.sign(signing.documentId(), new GivenSignature(step.role(), step.signer(), calendar.today()));
        sealSigned.later(signing);
    }

    /** Nobody signs with somebody else's name. */
    private static void requireOwnName(String signer, @Nullable String typed) {
        if (typed != null && !typed.isBlank() && !TypedName.isOf(signer, typed)) {
            throw Refusal.invalid(
                    "signature",
                    "“" + typed.strip() + "” is not the name of " + signer
                            + ", whose turn it is. If somebody else signs, end this signing and start again with them.");
        }
    }

    /** What is signed is what lies on the desk: nobody brought other bytes since. */
    private void requireSamePaper(DeskSigning signing) {
        FiledDocument document = documents.document(signing.documentId());
        if (!sourceOf(document).sha256().equals(signing.sourceSha256())) {
            throw Refusal.conflict(
                    "newer-version",
                    "A newer version of “" + document.name() + "” has come in meanwhile. Nothing was signed; end this"
                            + " signing, look at the newer version, and start again.");
        }
    }

    /** Ends a signing early. Signatures already given are kept on a sealed copy; nothing is lost. */
    public void withdraw(Viewer viewer, UUID id) {
        transactions.executeWithoutResult(t -> withdrawNow(viewer, id));
        sealSigned.now(id);
    }

    private void withdrawNow(Viewer viewer, UUID id) {
        viewer.requireChange();
        DeskSigning signing = open(viewer, id);
        signing.withdraw(viewer.name(), calendar.now());
        FiledDocument document = documents.document(signing.documentId());
        trail.record(new AuditEntry(
                viewer.actor(),
                "signing-ended",
                document.fileId(),
                document.id(),
                "ended the signing of “" + document.name() + "” early"));
        sealSigned.later(signing);
    }

    private DeskSigning open(Viewer viewer, UUID id) {
        DeskSigning signing = visible(viewer, id);
        if (signing.state() != DeskSigning.State.OPEN) {
            throw Refusal.conflict("signing-ended", "This signing has ended.");
        }
        return signing;
    }
}
