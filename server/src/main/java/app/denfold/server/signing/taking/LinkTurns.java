package app.denfold.server.signing.taking;

import app.denfold.core.signing.ShortAddress;
import app.denfold.server.access.Actor;
import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.links.SigningLinks;
import app.denfold.server.signing.requests.Hand;
import app.denfold.server.signing.requests.KnownBy;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.telling.TellSigners;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Turns of those without an account, who come by a link and show a code that was sent to the same address. */
@Service
class LinkTurns {

    private final SigningLinks links;
    private final SignatureRequestRepository requests;
    private final TellSigners tell;
    private final PracticeSettings settings;

    LinkTurns(SigningLinks links, SignatureRequestRepository requests, TellSigners tell, PracticeSettings settings) {
        this.links = links;
        this.requests = requests;
        this.tell = tell;
        this.settings = settings;
    }

    /**
     * What is told before a code was shown: nothing about the paper.
     *
     * @param to shortened address to which the code goes
     */
    record Door(String practice, String to, boolean open) {}

    @Transactional(readOnly = true)
    public Door door(String token, @Nullable String key) {
        SignatureTurn turn = turn(token);
        return new Door(settings.name(), ShortAddress.of(String.valueOf(turn.address())), links.isOpenFor(token, key));
    }

    private SignatureTurn turn(String token) {
        UUID turnId = links.turnOf(token);
        return requests.findOfTurn(turnId)
                .flatMap(r -> r.turn(turnId))
                .orElseThrow(() -> Refusal.notFound("signature request"));
    }

    /** Sends a code to the signer's address. */
    @Transactional
    public void sendCode(String token) {
        SignatureTurn turn = turn(token);
        SignatureRequest request = requests.findOfTurn(turn.id()).orElseThrow();
        tell.code(request, turn, links.newCode(token));
    }

    /** @return a key that opens the link for a while @throws Refusal when the code is wrong */
    String enter(String token, String code) {
        return links.enter(token, code).keyOrRefuse();
    }

    /** To which turn the link leads. @throws Refusal when no right code was shown lately */
    UUID entered(String token, @Nullable String key) {
        UUID turn = links.turnOf(token);
        if (!links.isOpenFor(token, key)) {
            throw LinkCodes.noCode();
        }
        return turn;
    }

    @Transactional(readOnly = true)
    public Hand hand(UUID turnId) {
        SignatureTurn turn = requests.findOfTurn(turnId)
                .flatMap(r -> r.turn(turnId))
                .orElseThrow(() -> Refusal.notFound("signature request"));
        return new Hand(Actor.system(turn.name()), null, null, KnownBy.LINK_AND_CODE, null, turn.address());
    }
}
