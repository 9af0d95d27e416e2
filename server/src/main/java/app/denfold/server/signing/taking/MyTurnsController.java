package app.denfold.server.signing.taking;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.requests.KnownBy;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.taking.ShowTurns.TurnAnswer;
import app.denfold.server.signing.taking.TurnRequests.NotSigned;
import app.denfold.server.signing.taking.TurnRequests.SeveralSigned;
import app.denfold.server.signing.taking.TurnRequests.SignSeveralRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnPassOnRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnSignatureRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnWordsRequest;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.core.io.Resource;
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

/** Turns of whoever is signed in, colleague or guest. */
@RestController
@RequestMapping("/api/my-signatures")
class MyTurnsController {

    private final MyTurns mine;
    private final TakeTurns take;
    private final ShowTurns show;
    private final SealSigned seal;

    MyTurnsController(MyTurns mine, TakeTurns take, ShowTurns show, SealSigned seal) {
        this.mine = mine;
        this.take = take;
        this.show = show;
        this.seal = seal;
    }

    @GetMapping
    List<MyTurns.MyTurn> all(Viewer viewer) {
        return mine.of(viewer);
    }

    @GetMapping("/{turnId}")
    TurnAnswer one(Viewer viewer, @PathVariable UUID turnId) {
        return show.opened(turnId, mine.secretOf(viewer), mine.forWhom(viewer, turnId));
    }

    @GetMapping(path = "/{turnId}/papers/{paperId}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID turnId,
            @PathVariable UUID paperId,
            @PathVariable int page,
            @RequestParam(defaultValue = "1400") int width) {
        mine.requireMine(viewer, turnId);
        return show.page(turnId, paperId, page, width);
    }

    @GetMapping("/{turnId}/papers/{paperId}/copy")
    ResponseEntity<Resource> copy(Viewer viewer, @PathVariable UUID turnId, @PathVariable UUID paperId) {
        mine.requireMine(viewer, turnId);
        return show.copy(turnId, paperId);
    }

    @PostMapping("/{turnId}/sign")
    TurnAnswer sign(
            Viewer viewer,
            @PathVariable UUID turnId,
            @Valid @RequestBody TurnSignatureRequest body,
            HttpServletRequest request) {
        mine.requireMine(viewer, turnId);
        KnownBy known = mine.known(viewer, body.secret(), request.getRemoteAddr());
        take.sign(turnId, mine.hand(viewer, turnId, known), body.given());
        return sealed(viewer, turnId);
    }

    private TurnAnswer sealed(Viewer viewer, UUID turnId) {
        TurnAnswer answer = one(viewer, turnId);
        seal.now(answer.requestId());
        return one(viewer, turnId);
    }

    /** Signs or passes on several that were looked through, each by itself. */
    @PostMapping("/sign")
    SeveralSigned signSeveral(Viewer viewer, @Valid @RequestBody SignSeveralRequest body, HttpServletRequest request) {
        body.turns().forEach(turn -> mine.requireMine(viewer, turn));
        KnownBy known = mine.known(viewer, body.secret(), request.getRemoteAddr());
        List<NotSigned> notSigned = new ArrayList<>();
        for (UUID turn : body.turns()) {
            try {
                TurnAnswer answer = one(viewer, turn);
                if (answer.task() == Task.APPROVE) {
                    take.approve(turn, mine.hand(viewer, turn, known));
                } else {
                    take.sign(
                            turn, mine.hand(viewer, turn, known), new TakeTurns.Signature(body.signature(), Map.of()));
                    seal.now(answer.requestId());
                }
            } catch (Refusal refused) {
                notSigned.add(new NotSigned(turn, String.valueOf(refused.getMessage())));
            }
        }
        return new SeveralSigned(body.turns().size() - notSigned.size(), notSigned);
    }

    @PostMapping("/{turnId}/approve")
    TurnAnswer approve(Viewer viewer, @PathVariable UUID turnId) {
        take.approve(turnId, mine.hand(viewer, turnId, KnownBy.ACCOUNT));
        return one(viewer, turnId);
    }

    @PostMapping("/{turnId}/decline")
    TurnAnswer decline(Viewer viewer, @PathVariable UUID turnId, @Valid @RequestBody TurnWordsRequest body) {
        take.decline(turnId, mine.hand(viewer, turnId, KnownBy.ACCOUNT), body.words());
        return sealed(viewer, turnId);
    }

    @PostMapping("/{turnId}/questions")
    TurnAnswer question(Viewer viewer, @PathVariable UUID turnId, @Valid @RequestBody TurnWordsRequest body) {
        take.question(turnId, mine.hand(viewer, turnId, KnownBy.ACCOUNT), body.words());
        return one(viewer, turnId);
    }

    @PostMapping("/{turnId}/pass-on")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void passOn(Viewer viewer, @PathVariable UUID turnId, @Valid @RequestBody TurnPassOnRequest body) {
        take.passOn(
                turnId,
                mine.hand(viewer, turnId, KnownBy.ACCOUNT),
                new AskDetails.AskedSigner(0, Task.SIGN, null, null, body.name(), body.email()));
    }
}
