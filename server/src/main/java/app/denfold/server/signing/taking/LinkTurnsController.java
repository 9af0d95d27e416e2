package app.denfold.server.signing.taking;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.sealing.SealSigned;
import app.denfold.server.signing.taking.ShowTurns.Secret;
import app.denfold.server.signing.taking.ShowTurns.TurnAnswer;
import app.denfold.server.signing.taking.TurnRequests.TurnCodeRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnPassOnRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnSignatureRequest;
import app.denfold.server.signing.taking.TurnRequests.TurnWordsRequest;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Turns of those who come by a link; nobody need be signed in. */
@RestController
@RequestMapping("/api/sign/{token}")
class LinkTurnsController {

    private static final String KEY = "DENFOLD_SIGN";

    private final LinkTurns links;
    private final TakeTurns take;
    private final ShowTurns show;
    private final SealSigned seal;

    LinkTurnsController(LinkTurns links, TakeTurns take, ShowTurns show, SealSigned seal) {
        this.links = links;
        this.take = take;
        this.show = show;
        this.seal = seal;
    }

    /** What is told before a code was shown. */
    @GetMapping("/door")
    LinkTurns.Door door(@PathVariable String token, @CookieValue(name = KEY, required = false) @Nullable String key) {
        return links.door(token, key);
    }

    @PostMapping("/code")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sendCode(@PathVariable String token) {
        links.sendCode(token);
    }

    /** The code is right: the link is open to this browser for a while. */
    @PostMapping("/enter")
    ResponseEntity<Void> enter(
            @PathVariable String token, @Valid @RequestBody TurnCodeRequest body, HttpServletRequest request) {
        return LinkCodes.keep(KEY, links.enter(token, body.code()), "/api/sign/" + token, request.isSecure());
    }

    @GetMapping
    TurnAnswer one(@PathVariable String token, @CookieValue(name = KEY, required = false) @Nullable String key) {
        return show.opened(links.entered(token, key), Secret.NONE, null);
    }

    @GetMapping(path = "/papers/{paperId}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            @PathVariable String token,
            @PathVariable UUID paperId,
            @PathVariable int page,
            @RequestParam(defaultValue = "1400") int width,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        return show.page(links.entered(token, key), paperId, page, width);
    }

    @GetMapping("/papers/{paperId}/copy")
    ResponseEntity<Resource> copy(
            @PathVariable String token,
            @PathVariable UUID paperId,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        return show.copy(links.entered(token, key), paperId);
    }

    @PostMapping("/sign")
    TurnAnswer sign(
            @PathVariable String token,
            @Valid @RequestBody TurnSignatureRequest body,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        UUID turn = links.entered(token, key);
        take.sign(turn, links.hand(turn), body.given());
        seal.now(one(token, key).requestId());
        return one(token, key);
    }

    @PostMapping("/decline")
    TurnAnswer decline(
            @PathVariable String token,
            @Valid @RequestBody TurnWordsRequest body,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        UUID turn = links.entered(token, key);
        take.decline(turn, links.hand(turn), body.words());
        seal.now(one(token, key).requestId());
        return one(token, key);
    }

    @PostMapping("/questions")
    TurnAnswer question(
            @PathVariable String token,
            @Valid @RequestBody TurnWordsRequest body,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        UUID turn = links.entered(token, key);
        take.question(turn, links.hand(turn), body.words());
        return one(token, key);
    }

    @PostMapping("/pass-on")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void passOn(
            @PathVariable String token,
            @Valid @RequestBody TurnPassOnRequest body,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        UUID turn = links.entered(token, key);
        take.passOn(
                turn,
                links.hand(turn),
                new AskDetails.AskedSigner(0, Task.SIGN, null, null, body.name(), body.email()));
    }
}
