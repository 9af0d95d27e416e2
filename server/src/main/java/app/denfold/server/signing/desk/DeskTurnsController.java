package app.denfold.server.signing.desk;

import app.denfold.server.access.DeskLock;
import app.denfold.server.access.Viewer;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.taking.ShowTurns;
import app.denfold.server.signing.taking.ShowTurns.TurnAnswer;
import app.denfold.server.signing.taking.TakeTurns;
import app.denfold.server.signing.taking.TurnRequests.TurnSignatureRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnWordsRequest;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Turns of requests, taken at the desk. */
@RestController
@RequestMapping("/api/desk-turns/{turnId}")
class DeskTurnsController {

    private final DeskTurns turns;
    private final TakeTurns take;
    private final ShowTurns show;
    private final SealSigned seal;

    DeskTurnsController(DeskTurns turns, TakeTurns take, ShowTurns show, SealSigned seal) {
        this.turns = turns;
        this.take = take;
        this.show = show;
        this.seal = seal;
    }

    /** From now on this session belongs to whoever signs, until a colleague unlocks it. */
    @PostMapping("/lock")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lock(Viewer viewer, @PathVariable UUID turnId, HttpServletRequest request) {
        turns.requireNow(viewer, turnId);
        DeskLock.lockToTurn(request, turnId);
    }

    @GetMapping
    TurnAnswer one(Viewer viewer, @PathVariable UUID turnId, HttpServletRequest request) {
        DeskLock.requireTurn(request, turnId);
        return answer(viewer, turnId);
    }

    private TurnAnswer answer(Viewer viewer, UUID turnId) {
        return show.opened(turnId, turns.secretOf(turns.signed(viewer, turnId)), null);
    }

    @GetMapping(path = "/papers/{paperId}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID turnId,
            @PathVariable UUID paperId,
            @PathVariable int page,
            @RequestParam(defaultValue = "1400") int width,
            HttpServletRequest request) {
        DeskLock.requireTurn(request, turnId);
        turns.signed(viewer, turnId);
        return show.page(turnId, paperId, page, width);
    }

    /** @throws app.denfold.server.problems.Refusal when it cannot be taken now, or a colleague's password is wrong */
    @PostMapping("/sign")
    TurnAnswer sign(
            Viewer viewer,
            @PathVariable UUID turnId,
            @Valid @RequestBody TurnSignatureRequest body,
            HttpServletRequest request) {
        DeskLock.requireTurn(request, turnId);
        Hand hand = turns.hand(viewer, turnId, body.secret(), request.getRemoteAddr());
        take.sign(turnId, hand, body.given());
        return sealed(viewer, turnId);
    }

    /** Whoever sits at the desk says no. A colleague says it in their own session. */
    @PostMapping("/decline")
    TurnAnswer decline(
            Viewer viewer,
            @PathVariable UUID turnId,
            @Valid @RequestBody TurnWordsRequest body,
            HttpServletRequest request) {
        DeskLock.requireTurn(request, turnId);
        take.decline(turnId, turns.handToDecline(viewer, turnId), body.words());
        return sealed(viewer, turnId);
    }

    private TurnAnswer sealed(Viewer viewer, UUID turnId) {
        seal.now(answer(viewer, turnId).requestId());
        return answer(viewer, turnId);
    }
}
