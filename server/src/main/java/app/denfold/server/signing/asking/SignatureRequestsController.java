package app.denfold.server.signing.asking;

import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.sealing.SealSigned;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class SignatureRequestsController {

    private final AskToSign ask;
    private final RunRequest run;
    private final ShowRequests show;
    private final ProposeSigners propose;
    private final SealSigned seal;

    SignatureRequestsController(
            AskToSign ask, RunRequest run, ShowRequests show, ProposeSigners propose, SealSigned seal) {
        this.ask = ask;
        this.run = run;
        this.show = show;
        this.propose = propose;
        this.seal = seal;
    }

    record AskedAnswer(UUID id) {}

    record WithdrawalReason(@Nullable @Size(max = 1_000) String reason) {}

    record DueRequest(@Nullable LocalDate dueOn) {}

    record AnswerWords(
            @NotBlank(message = "is needed") @Size(max = 2_000)
            String words) {}

    record SeveralRequests(
            @NotEmpty @Size(max = 500) List<UUID> ids,
            @Nullable @Size(max = 1_000) String reason) {}

    /** What could not be done with one of several, in words. */
    record NotDone(UUID id, String why) {}

    /** @param done how many of them it was done with */
    record SeveralDone(int done, List<NotDone> notDone) {}

    /** @param which {@code asked} for those the viewer asked for, {@code all} for all that he may see */
    @GetMapping("/signature-requests")
    List<ShowRequests.RequestRow> all(
            Viewer viewer,
            @RequestParam(defaultValue = "all") String which,
            @RequestParam(defaultValue = "true") boolean open) {
        return show.all(viewer, which.equals("asked"), open);
    }

    @PostMapping("/signature-requests")
    @ResponseStatus(HttpStatus.CREATED)
    AskedAnswer ask(Viewer viewer, @Valid @RequestBody AskDetails body) {
        return new AskedAnswer(ask.ask(viewer, body).id());
    }

    /** Whom to ask for signatures on papers of one file. */
    @GetMapping("/signature-requests/proposal")
    ProposeSigners.Proposal proposal(Viewer viewer, @RequestParam @Size(min = 1, max = 50) List<UUID> papers) {
        return propose.of(viewer, papers);
    }

    @GetMapping("/signature-requests/{id}")
    ShowRequests.RequestAnswer one(Viewer viewer, @PathVariable UUID id) {
        return show.one(viewer, id);
    }

    @GetMapping("/files/{id}/signature-requests")
    List<ShowRequests.RequestRow> ofFile(Viewer viewer, @PathVariable UUID id) {
        return show.ofFile(viewer, id);
    }

    @PostMapping("/signature-requests/{id}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody WithdrawalReason body) {
        run.withdraw(viewer, id, body.reason());
        seal.now(id);
    }

    @PutMapping("/signature-requests/{id}/due")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void due(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody DueRequest body) {
        run.due(viewer, id, body.dueOn());
    }

    @PostMapping("/signature-requests/{id}/turns/{turnId}/remind")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remind(Viewer viewer, @PathVariable UUID id, @PathVariable UUID turnId) {
        run.remind(viewer, id, turnId);
    }

    @PutMapping("/signature-requests/{id}/turns/{turnId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable UUID turnId,
            @Valid @RequestBody AskDetails.AskedSigner body) {
        run.changeSigner(viewer, id, turnId, body);
    }

    @PostMapping("/signature-requests/{id}/questions/{questionId}/answer")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void answer(
            Viewer viewer, @PathVariable UUID id, @PathVariable UUID questionId, @Valid @RequestBody AnswerWords body) {
        run.answer(viewer, id, questionId, body.words());
    }

    /** Reminds everybody whose turn it is in several requests. */
    @PostMapping("/signature-requests/remind")
    SeveralDone remindSeveral(Viewer viewer, @Valid @RequestBody SeveralRequests body) {
        return several(body.ids(), id -> show.one(viewer, id).row().way().stream()
                .filter(ShowRequests.TurnRow::now)
                .forEach(turn -> run.remind(viewer, id, turn.id())));
    }

    @PostMapping("/signature-requests/withdraw")
    SeveralDone withdrawSeveral(Viewer viewer, @Valid @RequestBody SeveralRequests body) {
        return several(body.ids(), id -> {
            run.withdraw(viewer, id, body.reason());
            seal.now(id);
        });
    }

    private interface Deed {
        void with(UUID id);
    }

    private static SeveralDone several(List<UUID> ids, Deed deed) {
        List<NotDone> notDone = new ArrayList<>();
        for (UUID id : ids) {
            try {
                deed.with(id);
            } catch (Refusal refused) {
                notDone.add(new NotDone(id, String.valueOf(refused.getMessage())));
            }
        }
        return new SeveralDone(ids.size() - notDone.size(), notDone);
    }
}
