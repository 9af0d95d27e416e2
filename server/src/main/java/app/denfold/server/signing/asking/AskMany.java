package app.denfold.server.signing.asking;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import app.denfold.server.signing.asking.AskDetails.AskedSigner;
import app.denfold.server.signing.placing.Layouts;
import app.denfold.server.signing.placing.PaperPlaces;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** The same form for many people: it is filed in each one's file, and each signs their own. */
@Service
class AskMany {

    /** So many go into one transaction. */
    private static final int AT_ONCE = 25;

    private final AskToSign ask;
    private final ProposeSigners propose;
    private final PaperPlaces places;
    private final Contents contents;
    private final Documents documents;
    private final PersonFiles files;
    private final Readings readings;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    AskMany(
            AskToSign ask,
            ProposeSigners propose,
            PaperPlaces places,
            Contents contents,
            Documents documents,
            PersonFiles files,
            Readings readings,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.ask = ask;
        this.propose = propose;
        this.places = places;
        this.contents = contents;
        this.documents = documents;
        this.files = files;
        this.readings = readings;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /**
     * @param upload of the form
     * @param type of which it becomes a paper in each file
     * @param colleagues who sign in roles of the practice's own, by role
     */
    record ManyDetails(
            @NotNull UUID upload,

            @NotBlank(message = "is needed: choose what the paper is")
            String type,

            @NotEmpty @Size(max = 500) List<@NotNull UUID> files,
            @NotNull Map<String, @NotNull UUID> colleagues,
            @Nullable @Size(max = 2_000) String message,
            @Nullable LocalDate dueOn,
            @Min(0) @Max(90) int remindEveryDays) {}

    /** Why somebody is not asked, in words. */
    record NotAsked(UUID fileId, String name, String why) {}

    /** @param asked how many were */
    record ManyAsked(int asked, List<NotAsked> notAsked) {}

    /**
     * Each file by itself: whoever cannot be asked is named, and gets no paper.
     *
     * @throws Refusal when the form cannot be taken or shown
     */
    ManyAsked ask(Viewer viewer, ManyDetails details, Path form, String formName) {
        viewer.requireChange();
        String sha256 = taken(form, formName);
        places.lookAt(contents.content(sha256));
        // in one order whoever asks, so that two at once wait and do not lock each other out
        List<UUID> all = details.files().stream().distinct().sorted().toList();
        List<NotAsked> notAsked = new ArrayList<>();
        for (int from = 0; from < all.size(); from += AT_ONCE) {
            List<UUID> some = all.subList(from, Math.min(all.size(), from + AT_ONCE));
            if (!isAsked(viewer, some, sha256, details)) {
                some.forEach(one -> notAsked.addAll(askedAlone(viewer, one, sha256, details)));
            }
        }
        return new ManyAsked(all.size() - notAsked.size(), notAsked);
    }

    /** All of them, or none because somebody among them cannot be asked. */
    private boolean isAsked(Viewer viewer, List<UUID> some, String sha256, ManyDetails details) {
        try {
            transactions.executeWithoutResult(t -> ask.askAll(
                    viewer,
                    some.stream().map(id -> filed(viewer, id, sha256, details)).toList()));
            return true;
        } catch (Refusal somebody) {
            return false;
        }
    }

    private List<NotAsked> askedAlone(Viewer viewer, UUID fileId, String sha256, ManyDetails details) {
        try {
            transactions.executeWithoutResult(t -> ask.ask(viewer, filed(viewer, fileId, sha256, details)));
            return List.of();
        } catch (Refusal refused) {
            return List.of(new NotAsked(
                    fileId,
                    files.maySee(viewer, fileId) ? files.file(fileId).name() : "",
                    String.valueOf(refused.getMessage())));
        }
    }

    private String taken(Path form, String formName) {
        Contents.Prepared prepared = contents.prepare(form, formName);
        return transactions.execute(t -> {
            Contents.Taken taken = contents.register(prepared);
            if (taken instanceof Contents.Whole whole) {
                readings.ask(whole.sha256());
                return whole.sha256();
            }
            throw Refusal.invalid(
                    "upload",
                    taken instanceof Contents.Refused refused
                            ? refused.reason()
                            : ((Contents.SetAside) taken).reason() + " Nobody could sign what he cannot read.");
        });
    }

    /** The paper filed, and what is asked for it. @throws Refusal when that cannot be */
    private AskDetails filed(Viewer viewer, UUID fileId, String sha256, ManyDetails details) {
        FiledDocument document = documents.file(
                viewer,
                new FilingDetails(fileId, details.type(), null, calendar.today(), null, null, null, null, null),
                new Documents.Received(sha256, calendar.today(), "made to be signed by " + viewer.name()));
        ProposeSigners.Proposal proposal = propose.known(viewer, List.of(document.id()));
        if (proposal.roles().isEmpty()) {
            throw Refusal.invalid("type", "Papers of this type ask for no signature. Choose another type.");
        }
        List<AskedSigner> signers = new ArrayList<>();
        for (ProposeSigners.RoleToSign role : proposal.roles()) {
            signers.add(signer(role, proposal.candidates(), details.colleagues(), signers.size()));
        }
        return new AskDetails(
                List.of(new AskDetails.AskedPaper(document.id(), 1)),
                signers,
                placed(proposal, signers),
                details.message(),
                details.dueOn(),
                false,
                details.remindEveryDays(),
                3,
                false);
    }

    private static AskedSigner signer(
            ProposeSigners.RoleToSign role,
            List<ProposeSigners.Candidate> candidates,
            Map<String, UUID> colleagues,
            int step) {
        UUID colleague = colleagues.get(role.role());
        if (colleague != null) {
            return new AskedSigner(step, Task.SIGN, role.role(), colleague, null, null);
        }
        if (role.proposed() == null) {
            throw Refusal.conflict(
                    "nobody-fits",
                    "Nobody is known who signs as " + role.label() + ", or several are. Ask from the file.");
        }
        ProposeSigners.Candidate candidate = candidates.get(role.proposed());
        if (candidate.accountId() == null && candidate.email() == null) {
            throw Refusal.conflict(
                    "no-address",
                    "No mail address of " + candidate.name() + " is known. Add one, or sign at the desk.");
        }
        return new AskedSigner(
                step, Task.SIGN, role.role(), candidate.accountId(), candidate.name(), candidate.email());
    }

    private static List<AskDetails.AskedField> placed(ProposeSigners.Proposal proposal, List<AskedSigner> signers) {
        List<AskDetails.AskedField> fields = new ArrayList<>();
        for (Layouts.ProposedPlace place : proposal.fields()) {
            for (int i = 0; i < signers.size(); i++) {
                Layouts.KeptField f = place.field();
                if (f.role().equals(signers.get(i).role())) {
                    fields.add(new AskDetails.AskedField(
                            place.paperId(),
                            i,
                            f.kind(),
                            f.page(),
                            f.left(),
                            f.top(),
                            f.width(),
                            f.height(),
                            f.required(),
                            f.label()));
                }
            }
        }
        return fields;
    }
}
